import { Button, Group, MultiSelect, Select, Textarea } from "@mantine/core";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useRecord } from "../../api/recording";
import { distance } from "../../dates";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { sayPercent } from "../words";
import { caseInHand } from "./Cases";
import { usePlantFile } from "./PlantPage";

const ways: { value: Schemas["Confirmed"]["how"]; label: string }[] = [
  { value: "seen", label: "seen with one’s own eyes" },
  { value: "mended-by", label: "its treatment mended it" },
  { value: "laboratory", label: "a laboratory said so" },
  { value: "died-of", label: "it died of it" },
  { value: "guess", label: "still a guess" },
];

/** What it turned out to be, held against what the first look said. */
export function TurnedOut() {
  const file = usePlantFile();
  const knowledge = useKnowledge();
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [id, setId] = useState(newId);
  const [asking, setAsking] = useState(false);
  const [causes, setCauses] = useState<string[]>(file.verdict?.causes ?? []);
  const [how, setHow] = useState<Schemas["Confirmed"]["how"]>("mended-by");
  const [note, setNote] = useState("");
  if (!file.examined) return null;
  const label = (c: string) => knowledge.data?.causes.find((x) => x.id === c)?.label ?? c;
  const of = caseInHand(file);
  const last = file.confirmed;
  return (
    <section className="patch mt-18" aria-label="What it turned out to be">
      <h2>What it turned out to be</h2>
      {last ? (
        <p className="mt-2 mb-6">
          <b>{last.causes.length ? last.causes.map(label).join(", ") : "Nothing was wrong"}</b>,{" "}
          {ways.find((w) => w.value === last.how)?.label} {distance(last.on, file.today)}.{" "}
          {last.first?.chances[0] && (
            <span className="soft">
              The first look of this case had said {label(last.first.chances[0].id).toLowerCase()},{" "}
              {sayPercent(last.first.chances[0].chance)}.
            </span>
          )}
        </p>
      ) : (
        <p className="soft mt-2 mb-6">
          When you know, say it: your own confirmed cases show how far the chances can be trusted. They never change the
          tables by themselves.
        </p>
      )}
      {asking ? (
        <>
          <MultiSelect
            label="It was"
            placeholder={causes.length ? undefined : "nothing wrong"}
            searchable
            maxValues={6}
            data={(knowledge.data?.causes ?? []).map((c) => ({ value: c.id, label: c.label }))}
            value={causes}
            onChange={setCauses}
          />
          <Select
            mt="xs"
            label="How one knows"
            data={ways}
            allowDeselect={false}
            value={how}
            onChange={(v) => v && setHow(v)}
          />
          <Textarea mt="xs" label="Note" autosize value={note} onChange={(e) => setNote(e.currentTarget.value)} />
          <Refused error={record.error} />
          <Group mt="sm">
            <Button
              loading={record.isPending}
              onClick={() =>
                record.mutate(
                  { id, on: file.today, case: of, confirmed: { causes, how, note: note || undefined } },
                  {
                    onSuccess: (e) => {
                      setId(newId());
                      setAsking(false);
                      undo("what it turned out to be", e.id);
                    },
                  },
                )
              }
            >
              Confirm it
            </Button>
            <Button variant="default" onClick={() => setAsking(false)}>
              Not yet
            </Button>
          </Group>
        </>
      ) : (
        <button type="button" className="linkbutton small" onClick={() => setAsking(true)}>
          {last ? "say it again" : "say what it was"}
        </button>
      )}
    </section>
  );
}
