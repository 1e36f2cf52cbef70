import { Button, Group, Select } from "@mantine/core";
import { useLocalStorage, useMediaQuery } from "@mantine/hooks";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import type { Knowledge, Schemas } from "../api/client";
import { useKnowledge } from "../api/handbook";
import { newId } from "../api/id";
import { useAppraisal, useGuide } from "../api/plants";
import { NumberField } from "../fields";
import { Figure } from "../figure/Figure";
import { How } from "../shell/How";
import { Failed, Waiting } from "../shell/States";
import { beginArrival, useArrivalDraft } from "./arrival/draft";
import { Clash } from "./look/Clash";
import { Judgement } from "./look/Judgement";
import classes from "./look/Look.module.css";
import { type Answers, answered, answersOf, graded, quiet, sureOf } from "./look/look";
import { NextChecks } from "./look/NextChecks";
import { PartPanel } from "./look/PartPanel";
import type { Answering } from "./look/SignRow";
import { zoneStates } from "./plant/zones";
import { likelihood, sayCount, sayPercent } from "./words";

interface Offer extends Answers {
  habit: string;
  asked?: number;
  sound?: number;
}

const nothing: Offer = { habit: "", present: [], absent: [] };

/** Two minutes before buying: what it likely has, what saving it takes, and what it is worth. */
export function AtSale() {
  const knowledge = useKnowledge();
  if (knowledge.isPending) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  return <Sale knowledge={knowledge.data} />;
}

interface AskedProps {
  knowledge: Knowledge;
  offer: Offer;
  setOffer: (offer: Offer) => void;
  /** What a pot with fresh mix costs. */
  filling: number;
  setFilling: (cost: number) => void;
}

/** How it grows, and the prices. */
function Asked({ knowledge, offer, setOffer, filling, setFilling }: AskedProps) {
  return (
    <Group align="end" mb="md" gap="md">
      <Select
        label="How it grows"
        searchable
        data={knowledge.habits.map((h) => ({ value: h.id, label: h.label }))}
        value={offer.habit || null}
        onChange={(v) => setOffer({ ...nothing, asked: offer.asked, sound: offer.sound, habit: v ?? "" })}
      />
      <NumberField
        label="Price asked"
        min={0}
        decimalScale={2}
        w={120}
        value={offer.asked}
        onChange={(v) => setOffer({ ...offer, asked: v })}
      />
      <NumberField
        label="A sound one costs"
        min={0}
        decimalScale={2}
        w={150}
        value={offer.sound}
        onChange={(v) => setOffer({ ...offer, sound: v })}
      />
      <NumberField
        label="A pot with fresh mix costs you"
        min={0}
        decimalScale={2}
        w={220}
        value={filling}
        onChange={(v) => setFilling(v ?? 0)}
      />
    </Group>
  );
}

function Sale({ knowledge }: { knowledge: Knowledge }) {
  const navigate = useNavigate();
  const [offer, setOffer] = useLocalStorage<Offer>({
    key: "at-sale",
    defaultValue: nothing,
    getInitialValueInEffect: false,
  });
  const [filling, setFilling] = useLocalStorage({ key: "filling", defaultValue: 4, getInitialValueInEffect: false });
  const [zone, showZone] = useState("stance");
  const part = useRef<HTMLElement>(null);
  const phone = useMediaQuery("(max-width: 47.5em)");
  const setZone = (id: string) => {
    showZone(id);
    if (phone) requestAnimationFrame(() => part.current?.scrollIntoView({ block: "start" }));
  };
  const guide = useGuide(offer.habit, "sale");
  const { habit, present, absent, asked, sound } = offer;
  const appraisal = useAppraisal({ habit, ...answersOf(offer), asked, sound, filling }, habit !== "");
  const kind = knowledge.habits.find((h) => h.id === habit);
  const asks = guide.data?.asks ?? [];
  const zones = knowledge.zones.filter((z) => asks.some((a) => a.zone === z.id && a.quiet.length + a.signs.length > 0));
  const at = zones.findIndex((z) => z.id === zone);
  const current = zones[at];
  const ask = asks.find((a) => a.zone === zone);
  // What cannot be seen at a sale is not asked, not even under "rarer".
  const askable = new Set(asks.flatMap((a) => [...a.signs, ...a.quiet]));
  const signs = knowledge.signs.filter((s) => s.zone === zone && askable.has(s.id));
  const answering: Answering = {
    put: (sign, to) => setOffer(answered(offer, sign, to)),
    sure: (sign, how) => setOffer(sureOf(offer, sign.id, how)),
    grade: (sign, degree) => setOffer(graded(offer, sign.id, degree)),
  };
  const a = appraisal.data;
  const [, take] = useArrivalDraft();
  const count = present.length + absent.length;
  const bought = () => {
    const arrived = { isolated: true, habit, price: asked, from: "at a sale" };
    take(beginArrival(arrived, "", { id: newId(), ...answersOf(offer) }));
    setOffer(nothing);
    navigate("/plants/new");
  };
  return (
    <>
      <title>At the sale · Tender Mend</title>
      <h1>At the sale</h1>
      <p className="soft mt-4 mb-14">
        Two minutes before you pay: turn leaves over, look in the joints, rock it, lift it, smell the hole. Nothing is
        recorded unless you buy it.
      </p>
      <Asked knowledge={knowledge} offer={offer} setOffer={setOffer} filling={filling} setFilling={setFilling} />
      {!kind && (
        <p className="soft">Pick how it grows, and the parts to look at are drawn. The prices may stay empty.</p>
      )}
      {kind && (
        <div className={classes.look}>
          <div className={classes.drawing}>
            <Figure
              figure={kind.figure}
              zones={zones}
              state={zoneStates(knowledge, present, absent)}
              chosen={zone}
              onChoose={setZone}
              name={kind.label}
            />
          </div>
          <section className="patch" aria-label="Signs of this part" ref={part}>
            {current ? (
              <PartPanel
                key={zone}
                zone={current}
                next={zones[at + 1]}
                at={at}
                of={zones.length}
                signs={signs}
                ask={ask}
                wanted={(a?.checks ?? []).map((c) => c.sign)}
                draft={offer}
                quiet={() => {
                  setOffer(quiet(offer, ask?.quiet ?? []));
                  const next = zones[at + 1];
                  if (next) setZone(next.id);
                }}
                go={setZone}
                ruledOut={[]}
                {...answering}
              />
            ) : (
              <Waiting rows={3} />
            )}
          </section>
          <section className="patch" aria-label="What it is worth">
            {appraisal.isLoadingError && <Failed error={appraisal.error} retry={() => appraisal.refetch()} />}
            {a && (
              <Worth
                appraisal={a}
                knowledge={knowledge}
                count={count}
                asked={asked}
                draft={offer}
                show={(id) => setZone(id)}
                {...answering}
              />
            )}
            {!a && appraisal.isPending && <Waiting rows={3} />}
            <Group mt="md">
              <Button onClick={bought}>Bought it: take it in</Button>
              <button
                type="button"
                className="linkbutton soft"
                onClick={() => {
                  setOffer(nothing);
                  setZone("stance");
                }}
              >
                Left it there
              </button>
            </Group>
          </section>
        </div>
      )}
    </>
  );
}

const verdicts: Record<string, { title: string; tone: string; sign: string }> = {
  take: { title: "Worth taking", tone: "kelp", sign: "✕✕" },
  bargain: { title: "Worth it for less", tone: "ochre", sign: "– –" },
  leave: { title: "Walk away", tone: "red", sign: "╱" },
};

interface WorthProps extends Answering {
  appraisal: Schemas["AppraisalView"];
  knowledge: Knowledge;
  count: number;
  asked?: number;
  draft: Answers;
  show: (zone: string) => void;
}

function Worth({ appraisal: a, knowledge, count, asked, draft, show, ...answering }: WorthProps) {
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
          {o.weeks[0]}-{o.weeks[1]} weeks, about {sayCount(o.minutes, "minute")} of work,{" "}
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
