import { Button, Group, Textarea } from "@mantine/core";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Answers, Differential, Knowledge } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useDifferential } from "../../api/plants";
import { useRecord } from "../../api/recording";
import { distance, sayDay } from "../../dates";
import { Say } from "../../Say";
import { Bare, Failed, Refused, Waiting } from "../../shell/States";
import { Judgement } from "../look/Judgement";
import { answersOf, emptyLook } from "../look/look";
import { useUndo } from "../undo";
import { likelihood, sayCount } from "../words";
import { openCase, WhichCase } from "./Cases";
import { PlanDraft } from "./PlanDraft";
import { PlanSteps } from "./PlanSteps";
import { usePlantFile } from "./PlantPage";
import { Doubts, SuspectList } from "./Suspects";
import classes from "./WhatToDo.module.css";

/** From what it may be to what is done: moves while unsure, the causes accepted, the plan. */
export function WhatToDo() {
  const file = usePlantFile();
  const [search] = useSearchParams();
  const [again, setAgain] = useState(false);
  const [wish, setWish] = useState<Wish>();
  const inHand = file.cases.find((c) => c.id === file.case);
  const inWork = inHand?.open || file.cases.length === 0;
  const examinedSince = file.examined && file.verdict && file.examined.on > file.verdict.on;
  if (file.closed) {
    return (
      <Bare title="It is no longer here">
        <p>Say where it stands that it is here again, and the work goes on from there.</p>
        <Link to={`/plants/${file.id}`}>Where it stands</Link>
      </Bare>
    );
  }
  if (wish) return <PlanDraft wish={wish} decideAgain={() => setWish(undefined)} />;
  if (file.plan && !again && (inWork || search.has("case"))) {
    return (
      <>
        {examinedSince && (
          <p className="ochre">
            It was examined again after this plan was made.{" "}
            <button type="button" className="linkbutton" onClick={() => setAgain(true)}>
              See what it points to now
            </button>
          </p>
        )}
        <WhichCase file={file} to="do" />
        <PlanSteps decideAgain={() => setAgain(true)} />
      </>
    );
  }
  if (!file.examined) {
    return (
      <Bare title="Look before you act">
        <p>Over-treatment is the commonest damage. Examine it first: five minutes, from the outside in.</p>
        <Button component={Link} to={`/plants/${file.id}/examine`}>
          Examine it
        </Button>
        <WithoutIllness choose={setWish} />
      </Bare>
    );
  }
  if (inHand?.standing === "diagnosed" && !again) return <PlanDraft decideAgain={() => setAgain(true)} />;
  return (
    <>
      <Decide done={() => setAgain(false)} />
      <WithoutIllness choose={setWish} />
    </>
  );
}

type Wish = NonNullable<Answers["wish"]>;

/** What may be wished of a plant that nothing ails. */
function WithoutIllness({ choose }: { choose: (wish: Wish) => void }) {
  const knowledge = useKnowledge();
  return (
    <section className="patch mt-20" aria-label="Without an illness">
      <h2>Nothing ails it, but you want something of it</h2>
      <ul className={classes.wishes}>
        {knowledge.data?.wishes.map((w) => (
          <li key={w.id}>
            <Button variant="default" onClick={() => choose(w.id)}>
              {w.label}
            </Button>{" "}
            <span className="soft small">
              <Say>{w.how}</Say>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Decide({ done }: { done: () => void }) {
  const file = usePlantFile();
  const knowledge = useKnowledge();
  const look = file.examined;
  const overruled = look?.overruled?.map((o) => o.sign) ?? [];
  const differential = useDifferential(file.id, answersOf(look ?? emptyLook()), overruled);
  const [accepted, setAccepted] = useState<string[]>();
  const [reason, setReason] = useState("");
  const [id, setId] = useState(newId);
  const record = useRecord(file.id);
  const undo = useUndo(file);
  if (knowledge.isPending || differential.isPending) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  if (differential.isLoadingError) return <Failed error={differential.error} retry={() => differential.refetch()} />;
  const d = differential.data;
  // What stands out is ticked to begin with; the person decides.
  const ticked = accepted ?? d.suggested;
  const one = ticked.length === 1 ? ticked[0] : undefined;
  const label = (cause: string) => knowledge.data.causes?.find((c) => c.id === cause)?.label ?? cause;
  const decide = (causes: string[], nothing = false) =>
    record.mutate(
      {
        id,
        on: file.today,
        case: openCase(file),
        diagnosed: { causes, nothing: nothing || undefined, reason: reason || undefined },
      },
      {
        onSuccess: (e) => {
          setId(newId());
          done();
          const looked = nothing ? "looked at, nothing found" : "set aside and watched";
          undo(causes.length ? `accepted: ${causes.map(label).join(", ")}` : looked, e.id);
        },
      },
    );
  return (
    <div className={classes.decide}>
      <section className="patch" aria-label="What it is">
        <h2>What do you think it is?</h2>
        <p className="soft small">
          From the look of {sayDay(file.examined?.on ?? file.today, file.today)},{" "}
          {distance(file.examined?.on ?? file.today, file.today)}.{" "}
          <Link className="colour-inherit" to={`/plants/${file.id}/examine`}>
            Look again
          </Link>
        </p>
        <Judgement of={d} knowledge={knowledge.data} today={file.today} />
        <SuspectList
          differential={d}
          knowledge={knowledge.data}
          accepted={ticked}
          onAccept={(c, on) => setAccepted(on ? [...ticked, c] : ticked.filter((x) => x !== c))}
        />
        <Textarea
          label="Why, if you see it otherwise"
          autosize
          minRows={1}
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
        />
        <Group mt="md">
          <Button disabled={ticked.length === 0} loading={record.isPending} onClick={() => decide(ticked)}>
            {ticked.length === 0
              ? "Accept a cause"
              : `Accept ${one ? label(one).toLowerCase() : sayCount(ticked.length, "cause")}, make the plan`}
          </Button>
          <Button variant="default" loading={record.isPending} onClick={() => decide([])}>
            Set aside and watch
          </Button>
          {!file.plan && (
            <Button variant="default" loading={record.isPending} onClick={() => decide([], true)}>
              Nothing found: it is well
            </Button>
          )}
        </Group>
        <Refused error={record.error} />
        <Doubts differential={d} knowledge={knowledge.data} />
      </section>
      <Moves differential={d} knowledge={knowledge.data} />
    </div>
  );
}

const groups = [
  {
    advice: "now",
    title: "Do now",
    tone: "kelp",
    sign: "✕✕",
    text: "In this order: good whichever of the likely causes is true.",
  },
  {
    advice: "wait",
    title: "First look",
    tone: "ochre",
    sign: "– –",
    text: "Right for one likely cause, harm for another.",
  },
  { advice: "if", title: "Only if", tone: "slate", sign: "?", text: "Worth it once its cause is accepted." },
  { advice: "not", title: "Do not", tone: "red", sign: "╱", text: "More harm than good as things stand." },
];

function Moves({ differential, knowledge }: { differential: Differential; knowledge: Knowledge }) {
  return (
    <section className="patch" aria-label="Moves while unsure">
      <h2>What is safe while you are unsure</h2>
      {groups.map((g) => (
        <MoveGroup key={g.advice} group={g} differential={differential} knowledge={knowledge} />
      ))}
    </section>
  );
}

function MoveGroup({
  group,
  differential,
  knowledge,
}: {
  group: (typeof groups)[number];
  differential: Differential;
  knowledge: Knowledge;
}) {
  const [all, setAll] = useState(false);
  const list = (differential.moves ?? []).filter((m) => m.advice === group.advice);
  const shown = all || group.advice === "now" ? list : list.slice(0, 4);
  const List = group.advice === "now" ? "ol" : "ul";
  if (list.length === 0) return null;
  const cause = (id: string | undefined) => knowledge.causes?.find((c) => c.id === id)?.label.toLowerCase();
  const name = (id: string) => knowledge.signs?.find((s) => s.id === id)?.label;
  const sign = (id: string | undefined) => knowledge.signs?.find((s) => s.id === id)?.how;
  return (
    <div className={classes.group} data-advice={group.advice}>
      <h3 className={group.tone}>
        <span aria-hidden>{group.sign} </span>
        {group.title} <span className={classes.because}>{group.text}</span>
      </h3>
      <List>
        {shown.map((m) => {
          const move = knowledge.moves?.find((x) => x.id === m.move);
          return (
            <li key={m.move} data-move={m.move}>
              <b>{move?.label}</b>
              <span className="soft small">
                {" "}
                <Say>{move?.how}</Say>. {m.helps && m.advice !== "not" && `Helps ${cause(m.helps)}. `}
                {m.worst &&
                  (m.advice === "not" || m.advice === "wait") &&
                  `Harms if it is ${cause(m.worst.cause)} (${likelihood(knowledge, m.worst.chance).word}). `}
                {m.check && `First: ${sign(m.check)?.toLowerCase()}.`}
                {m.needs && ` There must be: ${name(m.needs)?.toLowerCase()}.`}
                {m.before && ` ${m.before}`}
                {m.hinge && (
                  <b className="ochre">
                    {" "}
                    It cannot be undone, and hangs on one answer: {sign(m.hinge)?.toLowerCase()} again first.
                  </b>
                )}
              </span>
            </li>
          );
        })}
      </List>
      {list.length > shown.length && (
        <button type="button" className="linkbutton small soft" onClick={() => setAll(true)}>
          {list.length - shown.length} more
        </button>
      )}
    </div>
  );
}
