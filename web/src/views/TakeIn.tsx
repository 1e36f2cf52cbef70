import { useEffect } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { usePlant, useSession } from "../api/plants";
import { useRecord } from "../api/recording";
import { ArrivalForm } from "./arrival/ArrivalForm";
import { beginArrival, useArrivalDraft } from "./arrival/draft";
import type { Arrived } from "./arrival/parts";
import { answersOf } from "./look/look";
import { sayCount } from "./words";

const countOf = (look: { present: unknown[]; absent: unknown[] }) => look.present.length + look.absent.length;

/** Takes a plant in. What is typed is kept on this device until it is recorded. */
export function TakeIn() {
  const session = useSession();
  const [draft, setDraft] = useArrivalDraft();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const mother = usePlant(search.get("mother") ?? "");
  const record = useRecord(draft.plant);
  // A piece begins with what its mother is.
  const piece = mother.data && draft.arrived.mother !== mother.data.id ? mother.data : undefined;
  useEffect(() => {
    if (!piece) return;
    const arrived = {
      mother: piece.id,
      habit: piece.habit,
      profile: piece.profile?.id,
      name: `${piece.name}, a piece`,
      from: piece.name,
      isolated: piece.pieceIsolated,
      place: piece.placeId,
    };
    setDraft(beginArrival(arrived, piece.profile ? `${piece.profile.botanical} (${piece.profile.common})` : ""));
  }, [piece, setDraft]);
  const today = session.data?.today ?? "";
  const seen = draft.look && countOf(draft.look) > 0 ? draft.look : undefined;
  const takeIn = async (arrived: Arrived, on: string) => {
    try {
      // Sent again after a failure, the arrival does nothing twice.
      await record.mutateAsync({ id: draft.id, on, arrived });
      if (seen) {
        await record.mutateAsync({ id: seen.id, on, examined: answersOf(seen) });
      }
    } catch {
      return; // the form shows why, and keeps what was typed
    }
    setDraft(beginArrival());
    navigate(`/plants/${draft.plant}${seen ? "/do" : arrived.well ? "" : "/examine"}`);
  };
  return (
    <>
      <title>Take a plant in · Tender Mend</title>
      <h1>Take a plant in</h1>
      <p className="soft">
        A name and how it grows are enough. The rest helps later; give what you know.
        {seen && ` What you saw (${sayCount(countOf(seen), "answer")}) is recorded as its first look.`}
      </p>
      <ArrivalForm
        value={draft.arrived}
        on={draft.on ?? today}
        kind={draft.kind}
        change={(arrived, on, kind) => setDraft({ ...draft, arrived, on, kind })}
        error={record.error}
        busy={record.isPending}
        submitLabel="Take it in"
        submit={takeIn}
      />
    </>
  );
}
