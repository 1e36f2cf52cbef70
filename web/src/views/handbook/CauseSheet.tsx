import { Button, Group } from "@mantine/core";
import { Link, useParams } from "react-router";
import type { Knowledge } from "../../api/client";
import { useCause } from "../../api/handbook";
import { Say } from "../../Say";
import { Failed, Waiting } from "../../shell/States";
import { SignPicture } from "../look/SignPicture";
import { sayCount } from "../words";
import { useTables } from "./Handbook";
import classes from "./Handbook.module.css";

/** A cause: its signs, what helps and harms it, and what it is mistaken for. */
export function CauseSheet() {
  const { cause = "" } = useParams();
  const k = useTables();
  const sheet = useCause(cause);
  if (sheet.isPending) return <Waiting />;
  if (sheet.isLoadingError) return <Failed error={sheet.error} />;
  const { cause: c, signs, helps, harms, lookAlikes, never, bringsOn, broughtBy, more, less } = sheet.data;
  const sign = (id: string) => k.signs.find((s) => s.id === id);
  const label = (id: string) => k.causes.find((x) => x.id === id)?.label ?? id;
  const move = (id: string) => k.moves.find((m) => m.id === id)?.label ?? id;
  const habit = (id: string) => k.habits.find((h) => h.id === id)?.label ?? id;
  return (
    <article className="patch">
      <h2 className="size-26">{c.label}</h2>
      <p>{c.summary}.</p>
      <p className="soft small">
        {c.harmless
          ? "Needs no treatment."
          : c.daysToAct === 0
            ? "Act at once."
            : `Act within ${sayCount(c.daysToAct, "day")}.`}
        {c.spreads && " It can pass to other plants."} Before any sign it is thought of in{" "}
        {Number((c.prior * 100).toFixed(1))} of 100 failing plants.
        {more.length > 0 && ` More often on: ${more.map(habit).join(", ")}.`}
        {less.length > 0 && ` Seldom on: ${less.map(habit).join(", ")}.`}
        {never.length > 0 && ` Never on: ${never.map(habit).join(", ")}.`}
        {c.condition && ` It is seen and not reckoned: ${sign(c.condition)?.label.toLowerCase()}.`}
      </p>
      <Drawn signs={signs.flatMap((s) => sign(s.sign) ?? [])} />
      <div className={classes.columns}>
        <section>
          <h3>It shows</h3>
          <ul className={classes.shown}>
            {signs.map((s) => (
              <li key={s.sign}>
                <Link to={`/handbook/signs/${s.sign}?list=signs`}>{sign(s.sign)?.label}</Link>
                <span className="soft small">{s.word}</span>
              </li>
            ))}
          </ul>
        </section>
        <div>
          <section>
            <h3 className="kelp">What helps</h3>
            <ul className={classes.shown}>
              {helps.length === 0 && <li className="soft">Nothing is done to it.</li>}
              {helps.map((m) => (
                <li key={m.move}>
                  {move(m.move)} <span className="kelp small">+{m.effect}</span>
                </li>
              ))}
            </ul>
          </section>
          <section className="mt-14">
            <h3 className="red">What harms</h3>
            <ul className={classes.shown}>
              {harms.map((m) => (
                <li key={m.move}>
                  {move(m.move)} <span className="red small">−{Math.abs(m.effect)}</span>
                </li>
              ))}
            </ul>
          </section>
        </div>
      </div>
      <Leads title="It can bring on" causes={bringsOn} label={label} />
      <Leads title="It can come from" causes={broughtBy} label={label} />
      <h3 className="mt-16">Mistaken for</h3>
      <Group gap="xs" mt={6}>
        {lookAlikes.map((o) => (
          <Button
            key={o}
            component={Link}
            to={`/handbook/look-alikes?causes=${c.id},${o}`}
            variant="default"
            size="compact-md"
          >
            {label(o)}
          </Button>
        ))}
      </Group>
      <p className="soft small mb-0">Source: common practice. Effects run from +4 (helps most) to −5 (harms most).</p>
    </article>
  );
}

/** How many signs of a cause are drawn: those that it shows oftenest. */
const drawn = 3;

/** What it looks like: the signs that it shows oftenest, as drawings. */
function Drawn({ signs }: { signs: Knowledge["signs"] }) {
  const pictures = signs.filter((s) => s.drawing).slice(0, drawn);
  if (pictures.length === 0) return null;
  return (
    <div className={classes.drawn}>
      {pictures.map((s) => (
        <figure key={s.id}>
          <SignPicture drawing={s.drawing} width={140} />
          <figcaption className="small">
            <Say>{s.looks}</Say>
          </figcaption>
        </figure>
      ))}
    </div>
  );
}

interface LeadsProps {
  title: string;
  causes: string[];
  label: (id: string) => string;
}

/** Causes that one brings on, or that bring it on. */
function Leads({ title, causes, label }: LeadsProps) {
  if (causes.length === 0) return null;
  return (
    <p className="mt-12 mb-0">
      <b>{title}:</b>{" "}
      {causes.map((c, i) => (
        <span key={c}>
          {i > 0 && ", "}
          <Link to={`/handbook/causes/${c}`}>{label(c)}</Link>
        </span>
      ))}
      .
    </p>
  );
}
