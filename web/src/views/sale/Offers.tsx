import { Button, Group, TextInput } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import type { Knowledge } from "../../api/client";
import { useBeside } from "../../api/plants";
import { NumberField } from "../../fields";
import { answersOf } from "../look/look";
import { sayPercent } from "../words";
import { nameOf, type Offer } from "./offer";
import classes from "./Sale.module.css";
import { verdicts } from "./Worth";

interface OffersProps {
  offers: Offer[];
  at: number;
  /** Whether no more are looked at beside each other. */
  full: boolean;
  filling: number;
  knowledge: Knowledge;
  choose: (at: number) => void;
  add: () => void;
  rename: (name: string) => void;
}

/** Several offers side by side: which to take, what each is worth, and one price for all of them. */
export function Offers(props: OffersProps) {
  const { offers, at, full, add, rename } = props;
  const offer = offers[at];
  if (offers.length < 2) {
    if (!offer?.habit) return null;
    return (
      <Button variant="default" size="compact-md" mb="sm" onClick={add}>
        Another offer beside it
      </Button>
    );
  }
  return (
    <section className="patch mb-16" aria-label="Offers side by side">
      <Beside {...props} />
      <Group align="end" gap="sm" mt="sm">
        <TextInput
          label="The chosen one is called"
          placeholder={`Offer ${at + 1}`}
          maxLength={80}
          value={offer?.name ?? ""}
          onChange={(e) => rename(e.currentTarget.value)}
        />
        <Button variant="default" onClick={add} disabled={full}>
          Another offer
        </Button>
      </Group>
    </section>
  );
}

function Beside({ offers, at, filling, knowledge, choose }: OffersProps) {
  const [lot, setLot] = useLocalStorage<number | undefined>({ key: "lot-at-sale", defaultValue: undefined });
  // What nobody has looked at yet is not weighed against what somebody has.
  const looked = offers.flatMap((o, i) => (o.habit && o.present.length + o.absent.length > 0 ? [{ o, i }] : []));
  const beside = useBeside({
    offers: looked.map(({ o, i }) => ({
      name: nameOf(o, i),
      habit: o.habit,
      ...answersOf(o),
      asked: o.asked,
      sound: o.sound,
    })),
    lot,
    filling,
  });
  const label = (id: string) => knowledge.causes.find((c) => c.id === id)?.label.toLowerCase() ?? id;
  const money = (v: number | undefined) => (v === undefined ? "–" : v.toFixed(2));
  return (
    <>
      <h2>{beside.data?.words ?? "Side by side"}</h2>
      <div className={classes.scroll}>
        <table className={classes.table}>
          <thead>
            <tr>
              {[
                "Offer",
                "",
                "It lives",
                "Worth",
                "Asked",
                "Gain",
                lot !== undefined && "Part of the one price",
                "Likely",
              ]
                .filter((h) => h !== false)
                .map((h) => (
                  <th key={h}>{h}</th>
                ))}
            </tr>
          </thead>
          <tbody>
            {offers.map((o, i) => {
              const s = beside.data?.stands[looked.findIndex((l) => l.i === i)];
              const verdict = s && verdicts[s.advice];
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: an offer has nothing but its turn
                <tr key={i} aria-current={i === at || undefined}>
                  <th scope="row">
                    <button type="button" className="linkbutton" aria-pressed={i === at} onClick={() => choose(i)}>
                      {nameOf(o, i)}
                    </button>
                  </th>
                  <td className={verdict?.tone}>{verdict?.title ?? "look first"}</td>
                  <td data-label="lives">{s ? sayPercent(s.outlook.lives) : "–"}</td>
                  <td data-label="worth">{money(s?.fair?.value)}</td>
                  <td data-label="asked">{money(o.asked)}</td>
                  <td data-label="gain" className={s?.gain !== undefined && s.gain < 0 ? "red" : undefined}>
                    {money(s?.gain)}
                  </td>
                  {lot !== undefined && <td data-label="part">{money(s?.share)}</td>}
                  <td data-label="likely">{s?.causes[0] ? label(s.causes[0].id) : "–"}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <Group align="end" gap="sm" mt="xs">
        <NumberField
          label="One price for all of them"
          min={0}
          decimalScale={2}
          w={200}
          value={lot}
          onChange={(v) => setLot(v)}
        />
        {beside.data?.lot && <p className="mb-4">{beside.data.lot}</p>}
      </Group>
    </>
  );
}
