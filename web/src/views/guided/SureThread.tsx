import type { Knowledge, Schemas } from "../../api/client";
import { likelihood } from "../words";
import classes from "./Guided.module.css";

interface SureThreadProps {
  causes: Schemas["CauseChance"][];
  knowledge: Knowledge;
  answers: number;
}

/** How sure it is becoming: a thread that grows with the chance of the likeliest cause, and the words for it. */
export function SureThread({ causes, knowledge, answers }: SureThreadProps) {
  const [lead] = causes;
  const cause = knowledge.causes.find((c) => c.id === lead?.id);
  if (!lead || !cause || answers === 0) return <p className={`soft small ${classes.thread}`}>Nothing is known yet.</p>;
  const how = likelihood(knowledge, lead.chance);
  return (
    <div className={classes.thread} data-testid="sure-thread">
      <svg viewBox="0 0 200 8" width="100%" height="8" preserveAspectRatio="none" aria-hidden="true">
        <path d="M0 4 H200" className={classes.basting} />
        <path d={`M0 4 H${Math.round(200 * lead.chance)}`} className={classes.stitched} />
      </svg>
      <p className="small m-0">
        {how.folded ? (
          "Nothing stands out yet."
        ) : (
          <>
            So far most likely: <b>{cause.label.toLowerCase()}</b>, {how.word}.
          </>
        )}
      </p>
    </div>
  );
}
