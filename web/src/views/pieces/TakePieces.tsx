import { Button, Group, NumberInput, Select, TextInput } from "@mantine/core";
import { useState } from "react";
import { useNavigate } from "react-router";
import type { PlantFile } from "../../api/client";
import { newId } from "../../api/id";
import { useWays } from "../../api/pieces";
import { usePlaces } from "../../api/plants";
import { useMany } from "../../api/recording";
import { How } from "../../shell/How";
import { Failed, Refused, Waiting } from "../../shell/States";
import { usePlantFile } from "../plant/PlantPage";
import { useUndoMany } from "../undo";
import { sayCount } from "../words";
import { sayPieces, vesselWords, type Way } from "./words";

/** Takes pieces of a plant: no illness, an act on the mother. Many alike are one batch. */
export function TakePieces() {
  const file = usePlantFile();
  const ways = useWays(file.id);
  if (ways.isPending) return <Waiting />;
  if (ways.isLoadingError) return <Failed error={ways.error} retry={() => ways.refetch()} />;
  return (
    <section className="patch max-720" aria-label="Take pieces">
      <h2>Take pieces of it</h2>
      {ways.data.suspected.length > 0 && (
        <p className="red" role="status">
          {ways.data.suspected.join("; ")}: a piece carries it. Wait until that is over, or keep the pieces apart.
        </p>
      )}
      <Taking file={file} {...ways.data} />
    </section>
  );
}

interface TakingProps {
  file: PlantFile;
  ways: Way[];
  countDays: number;
  before: string;
}

function Taking({ file, ways, countDays, before }: TakingProps) {
  const places = usePlaces().data?.places ?? [];
  const many = useMany();
  const undo = useUndoMany();
  const go = useNavigate();
  const [method, setMethod] = useState(ways[0]?.method ?? "tip-cutting");
  const way = ways.find((w) => w.method === method) ?? ways[0];
  const [vessel, setVessel] = useState<string>();
  const [typed, setTyped] = useState<number | string>();
  const n = Number(typed ?? way?.usual) || 1;
  const [place, setPlace] = useState(file.placeId);
  const [name, setName] = useState<string>();
  const [label, setLabel] = useState("");
  const [refused, setRefused] = useState<string>();
  if (!way) return null;
  const called = name ?? `${sayPieces(n, way.one)} of ${file.name}`;
  const inVessel = way.vessels.find((v) => v === vessel) ?? way.vessels[0] ?? "mix";
  const take = () => {
    const plant = newId();
    const entries = [
      ...(way.organ ? [{ id: newId(), plant: file.id, on: file.today, cut: { organ: way.organ, n } }] : []),
      {
        id: newId(),
        plant,
        on: file.today,
        arrived: {
          name: called,
          label,
          habit: file.habit,
          profile: file.profile?.id,
          mother: file.id,
          from: file.name,
          isolated: file.pieceIsolated,
          place,
          batch: { n, method: way.method, vessel: inVessel },
        },
      },
    ] as Parameters<typeof many.mutate>[0];
    many.mutate(entries, {
      onSuccess: ({ kept, refused: list }) => {
        if (list.length > 0) setRefused(list.map((r) => r.problem.detail).join(" "));
        if (kept.length > 0) undo(`${sayPieces(n, way.one)} taken`, file.name, kept);
        if (list.length === 0) go(`/plants/${plant}`);
      },
    });
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        take();
      }}
    >
      <Group align="end" gap="sm">
        <Select
          label="How"
          value={method}
          allowDeselect={false}
          data={ways.map((w) => ({ value: w.method, label: w.listed ? w.label : `${w.label} (not usual)` }))}
          onChange={(m) => m && setMethod(m as Way["method"])}
        />
        <NumberInput label="How many" value={typed ?? way.usual} min={1} max={500} onChange={setTyped} />
        <Select
          label="What they root in"
          value={inVessel}
          allowDeselect={false}
          data={way.vessels.map((v) => ({ value: v, label: vesselWords[v as keyof typeof vesselWords] }))}
          onChange={(v) => v && setVessel(v)}
        />
      </Group>
      <WhatItCameTo way={way} />
      <Group align="end" gap="sm" mt="sm">
        <TextInput label="Called" value={called} maxLength={120} onChange={(e) => setName(e.currentTarget.value)} />
        <TextInput label="Label" value={label} maxLength={24} onChange={(e) => setLabel(e.currentTarget.value)} />
        <Select
          label="Where they stand"
          value={place ?? null}
          data={places.map((p) => ({ value: p.id, label: p.name }))}
          onChange={(p) => setPlace(p ?? undefined)}
        />
      </Group>
      <p className="soft small">
        They are one row until they are potted out, counted every {sayCount(countDays, "day")}. {before}
        {file.pieceIsolated && " The mother is kept apart, so they are as well."}
      </p>
      <Button type="submit" loading={many.isPending}>
        Take {sayPieces(n, way.one)}
      </Button>
      {refused && (
        <p role="alert" className="red">
          {refused}
        </p>
      )}
      <Refused error={many.error} />
    </form>
  );
}

/** What this way usually takes, and what it came to in this collection. */
function WhatItCameTo({ way }: { way: Way }) {
  const here = way.ofKind ?? way.ofAll;
  return (
    <p className="small mt-6 mb-0">
      {!way.listed && "Its kind is not known to be multiplied like that. "}
      {way.takes}{" "}
      {here?.share && (
        <>
          Here {here.rooted} of {here.rooted + here.lost} rooted{way.ofKind ? ", of this kind" : ", of all kinds"} (
          {Math.round(100 * here.low)} to {Math.round(100 * here.high)} %){" "}
          <How working={here.share.working} of="this share" />
          {here.medianDays !== undefined && `, half of them within ${sayCount(here.medianDays, "day")}`}.
        </>
      )}
    </p>
  );
}
