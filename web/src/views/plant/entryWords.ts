import type { Knowledge, ListedEntry, PlantFile } from "../../api/client";
import { type System, sayQuantity } from "../../units";
import { isolationWord, sayCount } from "../words";

const list = (words: (string | undefined)[]) => words.filter(Boolean).join(", ");

/** An entry of the record as a heading and a sentence, in the person's units. */
export function sayEntry(
  e: ListedEntry,
  k: Knowledge,
  file: PlantFile,
  all: ListedEntry[],
  system: System,
): { title: string; text: string } {
  const say = (before: string, value: number | undefined, unit: string, after = "") =>
    value === undefined ? "" : `${before}${sayQuantity(value, unit, system)}${after}`;
  const sign = (id: string) => k.signs?.find((s) => s.id === id)?.label.toLowerCase() ?? id;
  const cause = (id: string) => k.causes?.find((c) => c.id === id)?.label.toLowerCase() ?? id;
  const measure = (id: string) => k.measures?.find((m) => m.id === id);
  const stage = (track: string, id: string) =>
    k.tracks?.find((t) => t.id === track)?.stages?.find((s) => s.id === id)?.name ?? id;
  if (e.arrived) {
    const a = e.arrived;
    return {
      title: "Arrived",
      text: list([
        a.from && `from ${a.from}`,
        a.medium,
        a.leaves !== undefined ? sayCount(a.leaves, "leaf") : "",
        a.note,
      ]),
    };
  }
  if (e.examined) {
    const { present, absent } = e.examined;
    return {
      title: "Examined",
      text: [
        present?.length ? `Seen: ${present.map(sign).join("; ")}.` : "",
        absent?.length ? `Not there: ${absent.map(sign).join("; ")}.` : "",
        ...(e.examined.overruled ?? []).map((o) => `Record set aside on “${sign(o.sign)}”: ${o.reason}.`),
      ]
        .filter(Boolean)
        .join(" "),
    };
  }
  if (e.diagnosed) {
    const causes = e.diagnosed.causes ?? [];
    return {
      title: causes.length ? "Diagnosed" : e.diagnosed.nothing ? "Looked at, nothing found" : "Set aside to watch",
      text: [causes.map(cause).join(", "), e.diagnosed.reason].filter(Boolean).join(". "),
    };
  }
  if (e.planned)
    return {
      title: "Planned",
      text: `${e.planned.plan?.names?.join(", ")}, ${sayCount(e.planned.plan?.steps?.length ?? 0, "step")}`,
    };
  if (e.did) {
    const title =
      all.flatMap((x) => x.planned?.plan?.steps ?? []).find((s) => s.id === e.did?.step)?.title ??
      file.plan?.steps?.find((s) => s.id === e.did?.step)?.title ??
      e.did.step;
    return {
      title: e.did.skipped ? "Skipped" : "Did",
      text: [title, e.did.reason, e.did.note].filter(Boolean).join(". "),
    };
  }
  if (e.watered) return { title: "Watered", text: say("", e.watered.millilitres, "ml") };
  if (e.weighed) return { title: e.weighed.bare ? "Weighed bare" : "Weighed", text: say("", e.weighed.grams, "g") };
  if (e.probed) return { title: "Felt the medium", text: e.probed.moisture };
  if (e.checked) {
    const said = (e.checked.readings ?? []).map((r) => {
      const m = measure(r.measure);
      return `${m?.short ?? r.measure}: ${m?.kind === "yes-no" ? (r.value ? "yes" : "no") : m?.kind === "mm" ? say("", r.value, "mm") : `${r.value}${m?.kind === "percent" ? " %" : ""}`}`;
    });
    return { title: "Checked in", text: [said.join(", "), e.checked.note].filter(Boolean).join(". ") };
  }
  if (e.moved)
    return {
      title: "Moved",
      text: list([
        e.moved.place ? "to another place" : "",
        e.moved.isolation && isolationWord(e.moved.isolation),
        e.moved.reason,
      ]),
    };
  if (e.grown) {
    const g = e.grown;
    const first = all.find((x) => x.grown?.growth === g.growth && x.grown?.sort)?.grown;
    const sort = k.growths?.find((x) => x.id === (g.sort ?? first?.sort))?.label ?? "growth";
    return {
      title: g.sort ? `New ${sort}` : `Followed a ${sort}`,
      text: list([g.name, g.cameWith ? "came with it" : "", say("", g.sizeMm, "mm"), g.state]),
    };
  }
  if (e.pictured)
    return {
      title: "Picture",
      text: list([`from the ${e.pictured.side}`, e.pictured.scale ? "with a scale" : "", e.pictured.note]),
    };
  if (e.staged) {
    const s = e.staged;
    return {
      title: "Stage",
      text: [`${stage(s.track, s.from)} → ${stage(s.track, s.to)}`, s.gateOpen ? "gate met" : "", s.reason]
        .filter(Boolean)
        .join(". "),
    };
  }
  if (e.tallied) {
    const t = e.tallied;
    const all = [t.inMedium, t.inAir];
    const sum = (key: keyof typeof t.inMedium) => all.reduce((n, c) => n + c[key], 0);
    const sorts = (k.rootSorts ?? []).map((s) => (sum(s.id) ? `${sum(s.id)} ${s.label.toLowerCase()}` : ""));
    return {
      title: "Counted roots",
      text: list([
        ...sorts,
        t.tips !== undefined ? sayCount(t.tips, "tip") : "",
        say("longest ", t.longestMm, "mm"),
        say("root ball ", t.rootBallCm, "cm"),
      ]),
    };
  }
  if (e.fed) return { title: "Fed", text: list([`${e.fed.strength} × the label’s rate`, e.fed.product]) };
  if (e.potted)
    return {
      title: "Potted",
      text: list([say("", e.potted.widthCm, "cm", " wide"), say("", e.potted.depthCm, "cm", " deep"), e.potted.medium]),
    };
  if (e.metered) {
    const m = e.metered;
    return {
      title: "Read light and air",
      text: list([
        m.lux !== undefined ? `${m.lux} lux${m.hours !== undefined ? ` for ${sayCount(m.hours, "hour")}` : ""}` : "",
        say("coldest ", m.minC, "°C"),
        say("warmest ", m.maxC, "°C"),
        m.humidityPct !== undefined ? `${m.humidityPct} % air` : "",
      ]),
    };
  }
  if (e.prepared) return { title: "Prepared", text: list([e.prepared.what, e.prepared.note]) };
  if (e.treated)
    return {
      title: "Treated",
      text: list([
        e.treated.product,
        e.treated.batch && `batch ${e.treated.batch}`,
        e.treated.against && `against ${cause(e.treated.against)}`,
        e.treated.note,
      ]),
    };
  if (e.adjusted) return { title: "Overruled its kind", text: e.adjusted.reason ?? "" };
  if (e.confirmed)
    return {
      title: "Turned out to be",
      text: list([
        e.confirmed.causes.length ? e.confirmed.causes.map(cause).join(", ") : "nothing wrong",
        e.confirmed.note,
      ]),
    };
  if (e.opened) return { title: "A case opened", text: e.opened.why };
  if (e.dismissed) return { title: "Seen, and harmless", text: e.dismissed.reason };
  if (e.tended) return { title: "Cared for", text: list(e.tended.jobs.map((j) => j.replaceAll("-", " "))) };
  if (e.snoozed)
    return {
      title: e.snoozed.off ? "Switched off" : e.snoozed.until ? "Put off" : "Switched on",
      text: list([e.snoozed.job.replaceAll("-", " "), e.snoozed.until && `until ${e.snoozed.until}`]),
    };
  if (e.noted) return { title: "Note", text: e.noted.text };
  if (e.closed) return { title: "Closed", text: list([e.closed.outcome.replaceAll("-", " "), e.closed.reason]) };
  if (e.reopened) return { title: "Reopened", text: e.reopened.reason ?? "" };
  if (e.voided) {
    const what = all.find((x) => x.id === e.voided?.entry);
    return { title: "Undid", text: what ? `${what.kind} of ${what.on}` : "an entry" };
  }
  return { title: e.kind, text: "" };
}
