import type { Knowledge, Schemas } from "../../api/client";
import { Say } from "../../Say";
import { How } from "../../shell/How";
import { likelihood, sayTimesIn100, sentence } from "../words";
import classes from "./Guided.module.css";
import { Heading } from "./Heading";

/** What the answers came to, of a plant in the collection or of any other. */
export type Come = Pick<
  Schemas["Trouble"],
  "causes" | "verdict" | "outside" | "turns" | "act" | "clash" | "working" | "checks" | "guided" | "hinge"
>;

interface OutcomeProps {
  of: Come;
  knowledge: Knowledge;
  /** What follows where it is sure enough to act. */
  then: string;
}

/** The end of a guided look, in plain sentences: the first safe act, what it is, what else, what would change it. */
export function Outcome({ of, knowledge, then }: OutcomeProps) {
  const cause = (id: string) => knowledge.causes.find((c) => c.id === id)?.label.toLowerCase() ?? id;
  const move = knowledge.moves.find((m) => m.id === of.act.move);
  const [lead, ...others] = of.causes;
  const sure = lead && likelihood(knowledge, lead.chance);
  return (
    <>
      <Heading>What to do first</Heading>
      <section className={classes.act} data-testid="first-act">
        <p className="m-0">
          <b>{move?.label ?? of.act.move}.</b> <Say>{move?.how}</Say>.
        </p>
        <p className="small soft mt-4 mb-0">
          {of.act.helps
            ? `It helps against ${cause(of.act.helps)}, and it can be undone.`
            : "It is safe whatever it is."}{" "}
          <Say>{of.act.words}</Say>
        </p>
      </section>
      {lead && sure && (
        <p data-testid="most-likely">
          {sure.folded ? "Nothing stands out yet; the first guess would be " : "Most likely it is "}
          <b>{cause(lead.id)}</b>: {sure.word}, {sayTimesIn100(lead.chance)}.{" "}
          <How of={`the chance of ${cause(lead.id)}`} working={of.working} />
        </p>
      )}
      {others.length > 0 && (
        <p>
          It may also be {others.map((c) => `${cause(c.id)} (${sayTimesIn100(c.chance)})`).join(", ")}. Several can be
          true at once.
        </p>
      )}
      <p>
        {of.outside.words || of.verdict.words} {!of.outside.words && of.verdict.kind === "act" && then}
      </p>
      <Changes of={of} knowledge={knowledge} />
    </>
  );
}

/** What would change the picture: the one answer on which it hangs, and looks after which something else would lead. */
function Changes({ of, knowledge }: Omit<OutcomeProps, "then">) {
  const sign = (id: string) => knowledge.signs.find((s) => s.id === id)?.label ?? id;
  const cause = (id: string) => knowledge.causes.find((c) => c.id === id)?.label.toLowerCase() ?? id;
  const { hinge } = of;
  return (
    <>
      <h2>What would change this</h2>
      {hinge && (
        <p className="ochre" data-testid="hinge">
          All hangs on one answer: {hinge.present ? "" : "not there: "}“{sign(hinge.sign)}”. Without it{" "}
          {cause(hinge.cause)} falls from {sayTimesIn100(hinge.chance)} to {sayTimesIn100(hinge.without)}: look at it
          once more before you cut or repot.
        </p>
      )}
      {of.turns.length > 0 ? (
        <ul>
          {of.turns.map((t) => (
            <li key={t.sign + t.present}>
              {sentence(`${t.present ? "if this is seen" : "if this is not there"}: “${sign(t.sign)}”.`)} Then{" "}
              {cause(t.leads.id)} would lead.
            </li>
          ))}
        </ul>
      ) : (
        !hinge && <p>No single look more would change it.</p>
      )}
    </>
  );
}
