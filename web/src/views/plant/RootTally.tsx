import { Button, Group } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { Fragment } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useTally } from "../../api/plants";
import { useRecord } from "../../api/recording";
import { distance } from "../../dates";
import { NumberField, QuantityInput } from "../../fields";
import { Say } from "../../Say";
import { How } from "../../shell/How";
import { Failed, Refused, Waiting } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { useUndo } from "../undo";
import { sayPercent } from "../words";
import classes from "./Measure.module.css";
import { usePlantFile } from "./PlantPage";

type Tally = Schemas["Tally"];
type Where = "inMedium" | "inAir";
type SortID = Schemas["Sort"]["id"];

const none = () => ({ live: 0, doubtful: 0, deadDry: 0, mushy: 0 });
const fresh = (): { id: string; tally: Tally } => ({ id: newId(), tally: { inMedium: none(), inAir: none() } });
const columns: { id: Where; label: string }[] = [
  { id: "inMedium", label: "in the medium" },
  { id: "inAir", label: "in the air" },
];

/** A counter for live and dead roots, one press a root. */
export function RootTally() {
  const file = usePlantFile();
  const knowledge = useKnowledge();
  const [system] = useUnits();
  const [draft, setDraft] = useLocalStorage({
    key: `tally-${file.id}`,
    defaultValue: fresh(),
    getInitialValueInEffect: false,
  });
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const { tally } = draft;
  const reading = useTally(tally, file.pot.widthCm);
  if (knowledge.isPending) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  const set = (part: Partial<Tally>) => setDraft({ ...draft, tally: { ...tally, ...part } });
  const count = (where: Where, sort: SortID, by: number) =>
    set({ [where]: { ...tally[where], [sort]: Math.max(0, tally[where][sort] + by) } });
  const counted = columns.reduce((n, c) => n + Object.values(tally[c.id]).reduce((a, b) => a + b, 0), 0);
  const some =
    counted > 0 || tally.longestMm !== undefined || tally.tips !== undefined || tally.rootBallCm !== undefined;
  const r = some ? reading.data : undefined;
  const label = (sign: string) => knowledge.data.signs.find((s) => s.id === sign)?.label.toLowerCase() ?? sign;
  return (
    <section className="patch" aria-label="Root tally">
      <h2>Root tally</h2>
      <p className="soft small mt-2 mb-0">
        {knowledge.data.rootManner} <Link to={`/plants/${file.id}/pot`}>More than one plant in the pot?</Link>
      </p>
      <div className={classes.tally}>
        <span className={classes.corner} />
        {columns.map((c) => (
          <span key={c.id} className={`soft small ${classes.head}`}>
            {c.label}
          </span>
        ))}
        {knowledge.data.rootSorts.map((s) => (
          <Fragment key={s.id}>
            <span className={classes.sort}>
              <b>{s.label}</b>{" "}
              <span className="soft small">
                <Say>{s.how}</Say>
              </span>
            </span>
            {columns.map((c) => (
              <fieldset
                key={c.id}
                className={classes.counter}
                aria-label={`${s.label}, ${c.label}`}
                style={{ border: 0, margin: 0, padding: 0 }}
              >
                <button
                  type="button"
                  aria-label={`one less: ${s.label}, ${c.label}`}
                  onClick={() => count(c.id, s.id, -1)}
                >
                  −
                </button>
                <output>{tally[c.id][s.id]}</output>
                <button
                  type="button"
                  aria-label={`one more: ${s.label}, ${c.label}`}
                  onClick={() => count(c.id, s.id, 1)}
                >
                  +
                </button>
              </fieldset>
            ))}
          </Fragment>
        ))}
      </div>
      <Group gap="sm" align="end">
        <QuantityInput
          unit="mm"
          label="Longest live root"
          value={tally.longestMm}
          onChange={(v) => set({ longestMm: v })}
          w={150}
        />
        <NumberField
          label="Growing tips"
          allowDecimal={false}
          min={0}
          value={tally.tips}
          onChange={(v) => set({ tips: v })}
          w={110}
        />
        <QuantityInput
          unit="cm"
          label="Live root ball, width"
          value={tally.rootBallCm}
          onChange={(v) => set({ rootBallCm: v })}
          w={170}
        />
      </Group>
      {r && (
        <div aria-live="polite" data-testid="tally-reading">
          {counted > 0 && (
            <>
              <Share low={r.low} share={r.share} high={r.high} />
              <p className="my-4">
                <b>{sayPercent(r.share)} of the roots live</b>, from {sayPercent(r.low)} to {sayPercent(r.high)};{" "}
                {counted} counted. <How working={r.working} of="the live share" />
              </p>
            </>
          )}
          {r.pot && (
            <p className="my-4">
              It can fill a pot of <b>{sayQuantity(r.pot.value, "cm", system)}</b> inside.{" "}
              <How working={r.pot.working} of="this pot" />
            </p>
          )}
          {r.signs.some((s) => s.present) && (
            <p className="soft small my-4">
              Answers:{" "}
              {r.signs
                .filter((s) => s.present)
                .map((s) => label(s.id))
                .join("; ")}
              .
            </p>
          )}
        </div>
      )}
      <Group mt="md">
        <Button
          disabled={!some}
          loading={record.isPending}
          onClick={() =>
            record.mutate(
              { id: draft.id, on: file.today, tallied: tally },
              {
                onSuccess: (e) => {
                  setDraft(fresh());
                  undo("root tally", e.id);
                },
              },
            )
          }
        >
          Record the tally
        </Button>
        {file.tally && (
          <span className="soft small">
            Last {distance(file.tally.on, file.today)}: {sayPercent(file.tally.reading.share)} live.
          </span>
        )}
      </Group>
      <Refused error={record.error} />
    </section>
  );
}

/** The live share on a thread, its range basted. */
function Share({ low, share, high }: { low: number; share: number; high: number }) {
  return (
    <svg
      viewBox="0 0 400 18"
      width="100%"
      height="18"
      preserveAspectRatio="none"
      aria-hidden="true"
      className={classes.share}
    >
      <line x1="0" x2="400" y1="9" y2="9" stroke="var(--weft)" strokeWidth="1.5" />
      <line
        x1={400 * low}
        x2={400 * high}
        y1="9"
        y2="9"
        stroke="var(--basting)"
        strokeWidth="9"
        strokeDasharray="3 5"
      />
      <line x1="0" x2={400 * share} y1="9" y2="9" stroke="var(--kelp)" strokeWidth="5" strokeDasharray="13 4" />
    </svg>
  );
}
