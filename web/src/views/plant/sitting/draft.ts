import { newId } from "../../../api/id";

/** What was written and ticked of the step in hand, kept on this device until it is sent. */
export interface Draft {
  /** The step that is open, so that interrupted work goes on where it was. */
  at?: string;
  ticked: string[];
  note: string;
  used: Record<string, number>;
  /** When a clock that was started ends, in milliseconds of the device's time. */
  until?: number;
  /** The sittings for which everything was laid out. */
  laid?: number[];
  id: string;
}

export const fresh = (laid?: number[]): Draft => ({ ticked: [], laid, note: "", used: {}, id: newId() });
