import { useLocalStorage } from "@mantine/hooks";
import type { LookAnswers } from "../../api/client";
import { newId } from "../../api/id";
import type { Arrived } from "./parts";

/** A plant that is being taken in. */
export interface ArrivalDraft {
  id: string;
  plant: string;
  on?: string;
  arrived: Partial<Arrived>;
  kind: string;
  /** What was answered before it was here, recorded as its first look. */
  look?: { id: string } & LookAnswers;
}

/** A plant of which so much is known when it begins to be taken in. */
export const beginArrival = (
  arrived: Partial<Arrived> = { had: "unknown" },
  kind = "",
  look?: ArrivalDraft["look"],
): ArrivalDraft => ({ id: newId(), plant: newId(), arrived, kind, look });

/** The plant that is being taken in, kept on this device until it is recorded. */
export const useArrivalDraft = () =>
  useLocalStorage<ArrivalDraft>({
    key: "take-in",
    defaultValue: beginArrival(),
    getInitialValueInEffect: false,
  });
