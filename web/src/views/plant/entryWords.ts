import type { Knowledge, ListedEntry, PlantFile, Schemas } from "../../api/client";
import { type System, sayProse, sayQuantity } from "../../units";
import { sayWhich } from "../pot/words";
import { isolationWord, resultWord, sayCount } from "../words";

type Body = Omit<Schemas["NewEntry"], "$schema" | "id" | "on" | "replaces" | "case" | "despite">;
/** The kinds of entry: what one records. */
export type Kind = keyof Body;

interface Words {
  title: string;
  text: string;
}

/** What an entry is read with. */
interface Reading {
  knowledge: Knowledge;
  file: PlantFile;
  all: ListedEntry[];
  say: (before: string, value: number | undefined, unit: string, after?: string) => string;
  prose: (text: string) => string;
  cause: (id: string) => string;
}

const list = (words: (string | undefined | false)[]) => words.filter(Boolean).join(", ");
const sentences = (words: (string | undefined | false)[]) => words.filter(Boolean).join(". ");

const stepTitle = (id: string, { all, file }: Reading) =>
  all.flatMap((x) => x.planned?.plan?.steps ?? []).find((s) => s.id === id)?.title ??
  file.plan?.steps?.find((s) => s.id === id)?.title ??
  id;

/** Each kind in words: one that has none here does not compile. */
const words = {
  arrived: (a) => ({
    title: "Arrived",
    text: list([a.from && `from ${a.from}`, a.medium, a.leaves !== undefined && sayCount(a.leaves, "leaf"), a.note]),
  }),
  examined: ({ present, absent, overruled }, { knowledge }) => {
    const sign = (id: string) => knowledge.signs?.find((s) => s.id === id)?.label.toLowerCase() ?? id;
    return {
      title: "Examined",
      text: [
        present?.length ? `Seen: ${present.map(sign).join("; ")}.` : "",
        absent?.length ? `Not there: ${absent.map(sign).join("; ")}.` : "",
        ...(overruled ?? []).map((o) => `Record set aside on “${sign(o.sign)}”: ${o.reason}.`),
      ]
        .filter(Boolean)
        .join(" "),
    };
  },
  diagnosed: (d, { cause }) => ({
    title: d.causes?.length ? "Diagnosed" : d.nothing ? "Looked at, nothing found" : "Set aside to watch",
    text: sentences([(d.causes ?? []).map(cause).join(", "), d.reason]),
  }),
  planned: (p) => ({
    title: "Planned",
    text: `${p.plan?.names?.join(", ")}, ${sayCount(p.plan?.steps?.length ?? 0, "step")}`,
  }),
  did: (d, r) => ({
    title: d.skipped ? "Skipped" : "Did",
    text: sentences([
      stepTitle(d.step, r),
      d.unmet?.length ? `Before its gate: ${d.unmet.join(", ")} was wanting` : "",
      d.reason,
      d.note,
    ]),
  }),
  watered: (w, { say }) => ({
    title: "Watered",
    text: list([w.how && wateredWords[w.how], say("", w.millilitres, "ml")]),
  }),
  weighed: (w, { say }) => ({ title: w.bare ? "Weighed bare" : "Weighed", text: say("", w.grams, "g") }),
  probed: (p) => ({ title: "Felt the medium", text: p.moisture }),
  checked: (c, { knowledge, say, prose }) => ({
    title: "Checked in",
    text: sentences([
      (c.readings ?? [])
        .map((r) => {
          const m = knowledge.measures?.find((x) => x.id === r.measure);
          const value =
            m?.kind === "yes-no"
              ? r.value
                ? "yes"
                : "no"
              : m?.kind === "mm"
                ? say("", r.value, "mm")
                : `${r.value}${m?.kind === "percent" ? " %" : ""}`;
          return `${prose(m?.short ?? r.measure)}: ${value}`;
        })
        .join(", "),
      c.note,
    ]),
  }),
  moved: (m) => ({
    title: "Moved",
    text: list([
      m.place && "to another place",
      m.tray && `in the tray “${m.tray}”`,
      m.isolation && isolationWord(m.isolation),
      m.reason,
    ]),
  }),
  grown: (g, { all, knowledge, say }) => {
    const first = all.find((x) => x.grown?.growth === g.growth && x.grown?.sort)?.grown;
    const sort = knowledge.growths?.find((x) => x.id === (g.sort ?? first?.sort))?.label ?? "growth";
    return {
      title: g.sort ? `New ${sort}` : `Followed a ${sort}`,
      text: list([
        g.name,
        g.cameWith && "came with it",
        say("", g.sizeMm, "mm"),
        g.state,
        g.clean && "no mark",
        ...(g.marks ?? []).map((m) => knowledge.marks?.find((x) => x.id === m)?.label),
        g.lobes !== undefined && sayCount(g.lobes, "lobe"),
      ]),
    };
  },
  shared: (p) => ({
    title: p.out && p.out.length > 0 ? "Taken out of its pot" : "In its pot",
    text: list([
      p.out && p.out.length > 0 && `${p.out.map((o) => o.letter).join(", ")} into a pot of its own`,
      `in the pot: ${p.plants.map(sayWhich).join("; ")}`,
      p.keep && "they stay together",
    ]),
  }),
  pictured: (p) => ({ title: "Picture", text: list([`from the ${p.side}`, p.scale && "with a scale", p.note]) }),
  staged: (s, { knowledge }) => {
    const stage = (id: string) =>
      knowledge.tracks?.find((t) => t.id === s.track)?.stages?.find((x) => x.id === id)?.name ?? id;
    return {
      title: "Stage",
      text: sentences([`${stage(s.from)} → ${stage(s.to)}`, s.gateOpen && "gate met", s.reason]),
    };
  },
  tallied: (t, { knowledge, say }) => {
    const both = [t.inMedium, t.inAir];
    const sum = (key: keyof typeof t.inMedium) => both.reduce((n, c) => n + c[key], 0);
    const sorts = (knowledge.rootSorts ?? []).map((s) => sum(s.id) > 0 && `${sum(s.id)} ${s.label.toLowerCase()}`);
    return {
      title: "Counted roots",
      text: list([
        ...sorts,
        t.tips !== undefined && sayCount(t.tips, "tip"),
        say("longest ", t.longestMm, "mm"),
        say("root ball ", t.rootBallCm, "cm"),
      ]),
    };
  },
  fed: (f) => ({
    title: "Fed",
    text: list([f.slow ? `a little: ${f.slow.replace("-", " ")}` : `${f.strength} × the label’s rate`, f.product]),
  }),
  potted: (p, { say }) => ({
    title: "Potted",
    text: list([
      p.seat && p.seat !== "pot" && seatWords[p.seat],
      say("", p.widthCm, "cm", " wide"),
      say("", p.depthCm, "cm", " deep"),
      p.medium,
      say("water to ", p.levelCm, "cm"),
    ]),
  }),
  metered: (m, { say }) => ({
    title: "Read light and air",
    text: list([
      m.lux !== undefined && `${m.lux} lux${m.hours !== undefined ? ` for ${sayCount(m.hours, "hour")}` : ""}`,
      say("coldest ", m.minC, "°C"),
      say("warmest ", m.maxC, "°C"),
      m.humidityPct !== undefined && `${m.humidityPct} % air`,
    ]),
  }),
  prepared: (p) => ({ title: "Prepared", text: list([p.what, p.note]) }),
  treated: (t, { cause }) => ({
    title: "Treated",
    text: list([t.product, t.batch && `batch ${t.batch}`, t.against && `against ${cause(t.against)}`, t.where, t.note]),
  }),
  adjusted: (a) => ({ title: "Overruled its kind", text: a.reason ?? "" }),
  confirmed: (c, { cause }) => ({
    title: "Turned out to be",
    text: list([c.causes.length ? c.causes.map(cause).join(", ") : "nothing wrong", c.note]),
  }),
  opened: (o) => ({ title: "A case opened", text: o.why }),
  dismissed: (d) => ({ title: "Seen, and harmless", text: d.reason }),
  tended: (t) => ({ title: "Cared for", text: list(t.jobs.map((j) => j.replaceAll("-", " "))) }),
  snoozed: (s) => ({
    title: s.off ? "Switched off" : s.until ? "Put off" : "Switched on",
    text: list([s.job.replaceAll("-", " "), s.until && `until ${s.until}`]),
  }),
  tried: (t) => ({
    title: "Tried",
    text: sentences([t.what, `It helps if this is seen: ${t.hope}`, `Asked for after ${sayCount(t.days, "day")}`]),
  }),
  judged: (j, { file }) => ({
    title: "Result of a trial",
    text: sentences([file.trials.find((t) => t.id === j.trial)?.what, resultWord(j.result), j.note]),
  }),
  noted: (n) => ({ title: "Note", text: n.text }),
  tagged: (t) => ({
    title: "Tags",
    text: [...(t.add ?? []).map((a) => `+ ${a}`), ...(t.remove ?? []).map((r) => `− ${r}`)].join(", "),
  }),
  stated: (s, { say }) => ({ title: "Known", text: list(stated(s, say)) }),
  counted: (c) => ({
    title: "Counted",
    text: sentences([`${c.alive} alive, ${c.shoots} with a shoot, ${c.rooted} with roots`, c.note]),
  }),
  parted: (p) => ({
    title: "Parted",
    text: sentences([
      list([p.potted > 0 && `${p.potted} potted out`, p.returned > 0 && `${p.returned} put back with the mother`]),
      p.note,
    ]),
  }),
  sat: (s) => ({ title: "A sitting", text: s.name ?? `sitting ${s.sitting}` }),
  cut: (c) => ({
    title: "Cut",
    text: list([
      [c.n, c.organ].filter((x) => x !== undefined).join(" "),
      c.share !== undefined && `${Math.round(100 * c.share)} %`,
      c.kept !== undefined && `${c.kept} kept`,
    ]),
  }),
  closed: (c) => ({ title: "Closed", text: list([c.outcome.replaceAll("-", " "), c.reason]) }),
  reopened: (r) => ({ title: "Reopened", text: r.reason ?? "" }),
  voided: (v, { all }) => {
    const what = all.find((x) => x.id === v.entry);
    return { title: "Undid", text: what ? `${what.kind} of ${what.on}` : "an entry" };
  },
} satisfies { [K in Kind]: (content: NonNullable<Body[K]>, reading: Reading) => Words };

const wateredWords: Record<NonNullable<NonNullable<Body["watered"]>["how"]>, string> = {
  through: "through",
  light: "lightly",
  soak: "soaked",
  below: "from below",
  flush: "flushed",
  reservoir: "the water space",
  roots: "the roots",
  cup: "the cup",
  leaves: "the leaves",
};

/** What a plant stands in, in words. */
export const seatWords: Record<string, string> = {
  pot: "in a pot",
  basket: "in a basket",
  mount: "on a slab",
  hung: "hung bare",
  cup: "in a cup over water",
  dish: "in a dish of water",
  reservoir: "in a pot with a water space",
  jar: "in a glass of water",
  box: "in a moss box",
  tray: "on a tray",
  hand: "out of its pot",
  bin: "thrown away",
};

/** What was stated, each thing in a few words. */
function stated(s: NonNullable<Body["stated"]>, say: Reading["say"]) {
  const yes = (is: boolean | undefined, then: string, not: string) => (is === undefined ? "" : is ? then : not);
  return [
    s.seat && seatWords[s.seat],
    s.mediumClass && (s.mediumClass === "none" ? "in no medium" : `in ${s.mediumClass}`),
    s.medium && `its medium ${s.medium}`,
    s.moist && `moisture: ${s.moist}`,
    say("pot ", s.potWidthCm, "cm"),
    yes(s.holes, "its pot has holes", "its pot has no holes"),
    yes(s.standing, "water stands", "no water stands"),
    say("its base ", s.baseUnderCm, "cm", " under"),
    yes(s.plug, "a plug in its roots", "no plug in its roots"),
    s.cover && (s.cover === "none" ? "no cover" : `${s.cover} cover`),
    yes(s.limp, "limp", "firm"),
    s.reserves,
    yes(s.rotAlive, "rot spreads", "no live rot"),
    yes(s.growing, "it grows", "nothing new"),
    yes(s.resting, "at rest", "not at rest"),
    s.spikes !== undefined && sayCount(s.spikes, "spike"),
    s.growths !== undefined && sayCount(s.growths, "growth"),
    s.leaves !== undefined && sayCount(s.leaves, "leaf"),
    s.plantlets !== undefined && sayCount(s.plantlets, "plantlet"),
    s.infested !== undefined && `${Math.round(100 * s.infested)} % infested`,
    s.lightShare !== undefined && `${Math.round(100 * s.lightShare)} % of its best light`,
    say("kept at ", s.warmthC, "°C"),
    yes(s.noWater, "no water until further notice", ""),
    yes(s.noFeed, "no feed until further notice", ""),
  ];
}

/** An entry of the record as a heading and a sentence, in the person's units. */
export function sayEntry(
  e: ListedEntry,
  knowledge: Knowledge,
  file: PlantFile,
  all: ListedEntry[],
  system: System,
): Words {
  const reading: Reading = {
    knowledge,
    file,
    all,
    say: (before, value, unit, after = "") =>
      value === undefined ? "" : `${before}${sayQuantity(value, unit, system)}${after}`,
    prose: (text) => sayProse(text, system),
    cause: (id) => knowledge.causes?.find((c) => c.id === id)?.label.toLowerCase() ?? id,
  };
  const kind = e.kind as Kind;
  const say = words[kind] as ((content: unknown, reading: Reading) => Words) | undefined;
  return say?.(e[kind], reading) ?? { title: e.kind, text: "" };
}
