import type { Knowledge, Schemas } from "../../api/client";
import { How } from "../../shell/How";
import { Clash } from "../look/Clash";
import { Judgement } from "../look/Judgement";
import classes from "../look/Look.module.css";
import type { Answers } from "../look/look";
import { NextChecks } from "../look/NextChecks";
import type { Answering } from "../look/SignRow";
import { likelihood, sayCount, sayPercent } from "../words";

/** What is said of an offer, by advice. */
export const verdicts: Record<string, { title: string; tone: string; sign: string }> = {
  take: { title: "Worth taking", tone: "kelp", sign: "✕✕" },
  bargain: { title: "Worth it for less", tone: "ochre", sign: "– –" },
  leave: { title: "Walk away", tone: "red", sign: "╱" },
};

const sayWeeks = ([least, most]: number[]) => (most ? `${least}-${most} weeks, about` : "about");

interface WorthProps extends Answering {
  appraisal: Schemas["AppraisalView"];
  knowledge: Knowledge;
  count: number;
  asked?: number;
  draft: Answers;
  show: (zone: string) => void;
}

/** What one offer is worth, and the looks most worth their trouble before paying. */
export function Worth({ appraisal: a, knowledge, count, asked, draft, show, ...answering }: WorthProps) {
  const label = (id: string) => knowledge.causes.find((c) => c.id === id)?.label ?? id;
  const verdict = verdicts[a.advice];
  const o = a.outlook;
  return (
    <>
      <h2 className={count > 0 ? verdict?.tone : undefined} data-testid="verdict">
        {count === 0 ? (
          "Look first"
        ) : (
          <>
            <span aria-hidden>{verdict?.sign} </span>
            {verdict?.title}
          </>
        )}
      </h2>
      {count > 0 && <Judgement of={a} knowledge={knowledge} today={a.today} />}
      {count > 0 && (
        <ul className="mt-4 mb-10 pl-18">
          {a.reasons.map((r) => (
            <li key={r}>{r}</li>
          ))}
        </ul>
      )}
      <Clash signs={a.clash} knowledge={knowledge} />
      <dl className={classes.worth}>
        <dt>It lives</dt>
        <dd>
          in about {Math.round(o.lives * 10)} of 10 cases{" "}
          <span className="soft small">
            ({sayPercent(o.least)} to {sayPercent(o.most)})
          </span>{" "}
          <How working={o.working} of="the chance to save it" />
        </dd>
        <dt>It takes</dt>
        <dd>
          {sayWeeks(o.weeks)} {sayCount(o.minutes, "minute")} of work,{" "}
          {o.fillings === 0 ? "no fresh mix" : `${o.fillings} pots with fresh mix`}
        </dd>
        {a.fair && (
          <>
            <dt>Worth as it stands</dt>
            <dd>
              <b>{a.fair.value.toFixed(2)}</b>
              {a.off !== undefined &&
                a.off > 0 &&
                asked !== undefined &&
                `: ask for ${a.off.toFixed(2)} off the ${asked.toFixed(2)}`}{" "}
              <How working={a.fair.working} of="this price" />
            </dd>
          </>
        )}
        <dt>Likely</dt>
        <dd>
          {a.causes
            .slice(0, 3)
            .map((c) => `${label(c.id).toLowerCase()} (${likelihood(knowledge, c.chance).word})`)
            .join(", ")}
        </dd>
      </dl>
      <NextChecks
        checks={a.checks}
        knowledge={knowledge}
        draft={draft}
        today={a.today}
        show={(s) => show(s.zone)}
        {...answering}
      />
    </>
  );
}
