import { Button, Group } from "@mantine/core";
import { useLocalStorage, useMediaQuery } from "@mantine/hooks";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import type { Knowledge } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useAppraisal, useGuide } from "../../api/plants";
import { Figure } from "../../figure/Figure";
import { Failed, Waiting } from "../../shell/States";
import { beginArrival, useArrivalDraft } from "../arrival/draft";
import classes from "../look/Look.module.css";
import { answered, answersOf, graded, quiet, sureOf } from "../look/look";
import { PartPanel } from "../look/PartPanel";
import type { Answering } from "../look/SignRow";
import { zoneStates } from "../plant/zones";
import { Asked } from "./Asked";
import { Offers } from "./Offers";
import { useOffers } from "./useOffers";
import { Worth } from "./Worth";

/** Two minutes before buying: what it likely has, what saving it takes, and what it is worth. */
export function AtSale() {
  const knowledge = useKnowledge();
  if (knowledge.isPending) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  return <Sale knowledge={knowledge.data} />;
}

function Sale({ knowledge }: { knowledge: Knowledge }) {
  const navigate = useNavigate();
  const { offers, at: chosen, full, offer, setOffer, choose, add, drop } = useOffers();
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
    drop();
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
      <Offers
        offers={offers}
        at={chosen}
        full={full}
        filling={filling}
        knowledge={knowledge}
        choose={(i) => {
          choose(i);
          setZone("stance");
        }}
        add={() => {
          add();
          setZone("stance");
        }}
        rename={(name) => setOffer({ ...offer, name })}
      />
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
                  drop();
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
