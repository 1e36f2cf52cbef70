import { Button, Group, Textarea } from "@mantine/core";
import { useQueries } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, client, type PlantRow } from "../../api/client";
import { keys } from "../../api/keys";
import { useRounds } from "../../api/plants";
import { Failed, Waiting } from "../../shell/States";
import { usePicked } from "../many/picked";
import { WhenPicked } from "../many/WhenPicked";
import type { Stop } from "../StopRow";
import { WalkPlaces } from "../WalkPlaces";
import { sayCount } from "../words";

/** As many of what is due as the walk lists at most: a scanned plant may be anywhere in it. */
const whole = 1000;

/** What a line of scans says: the address of a plant's page, or the code on a label. */
export function scanned(text: string): string[] {
  const lines = text.split(/\s*\n\s*/).filter(Boolean);
  return [...new Set(lines.map((l) => /\/plants\/([0-9a-f-]{36})/i.exec(l)?.[1]?.toLowerCase() ?? l.trim()))];
}

/** A batch of scanned labels is a walk: what is due at those plants, in the order of the places. */
export function Scans() {
  const [typed, setTyped] = useState("");
  const [codes, setCodes] = useState<string[]>([]);
  const rounds = useRounds(whole);
  const picking = usePicked();
  const found = useQueries({
    queries: codes.map((code) => ({
      queryKey: keys.register({ scan: code }),
      queryFn: async () => {
        const byID = /^[0-9a-f-]{36}$/.test(code);
        const query = byID ? { plants: [code], limit: 1 } : { q: code, limit: 20 };
        const page = await answer(client.GET("/api/plants", { params: { query } }));
        return page.plants.find((p) => byID || p.label.toLowerCase() === code.toLowerCase()) ?? null;
      },
    })),
  });
  if (rounds.isLoadingError) return <Failed error={rounds.error} retry={() => rounds.refetch()} />;
  if (rounds.isPending) return <Waiting />;
  const plants = found.flatMap((f) => (f.data ? [f.data] : []));
  const unknown = codes.filter((_, i) => found[i]?.data === null);
  const ids = new Set(plants.map((p) => p.id));
  const due = new Set((rounds.data?.places ?? []).flatMap((p) => p.stops.map((s) => s.id)));
  const today = rounds.data?.today ?? "";
  // A very long walk does not list all that is due.
  const unlisted = plants.filter((p) => !due.has(p.id) && p.nextDue !== undefined && p.nextDue <= today);
  const idle = plants.filter((p) => !due.has(p.id) && !unlisted.includes(p));
  const wants = (s: Stop) => ids.has(s.id);
  return (
    <>
      <title>Scanned · Tender Mend</title>
      <h1>Scanned labels</h1>
      <p className="soft">
        Scan label after label into this field, or type their codes, one a line: they become a walk of their own.
      </p>
      <form
        className="max-620"
        onSubmit={(e) => {
          e.preventDefault();
          setCodes(scanned(typed));
        }}
      >
        <Textarea
          label="Codes, one a line"
          autosize
          minRows={3}
          maxRows={12}
          value={typed}
          onChange={(e) => setTyped(e.currentTarget.value)}
        />
        <Group mt="sm">
          <Button type="submit" disabled={typed.trim() === ""}>
            {typed.trim() === "" ? "Scan a label first" : "Walk these"}
          </Button>
        </Group>
      </form>
      <div aria-live="polite">
        {codes.length > 0 && (
          <p>
            {sayCount(plants.length, "plant")} found
            {idle.length > 0 && `; nothing is due at ${idle.length} of them`}.
          </p>
        )}
        {unknown.length > 0 && (
          <p className="red">
            No plant of this collection has the code {unknown.join(", ")}. Look at the label again; it may be of another
            collection.
          </p>
        )}
      </div>
      {rounds.data && (
        <WalkPlaces
          places={rounds.data.places ?? []}
          today={today}
          wants={wants}
          answered={[]}
          asks={rounds.data}
          picking={picking}
        />
      )}
      <Linked plants={unlisted} title="Due as well: open them" />
      <Linked plants={idle} title="Nothing is due here" />
      <WhenPicked picking={picking} today={today} />
    </>
  );
}

function Linked({ plants, title }: { plants: PlantRow[]; title: string }) {
  if (plants.length === 0) return null;
  return (
    <section className="patch mt-18" aria-label={title}>
      <h2>{title}</h2>
      {plants.map((p) => (
        <p key={p.id} className="my-8">
          <Link to={`/plants/${p.id}`}>{p.name}</Link> <span className="soft small">{p.label}</span>
        </p>
      ))}
    </section>
  );
}
