import { Button, Group, Select } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { notifications } from "@mantine/notifications";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { useSearchParams } from "react-router";
import { answer, client, Problem, type Schemas } from "../../api/client";
import { newId } from "../../api/id";
import { useRegister, useSession } from "../../api/plants";
import { useRecord } from "../../api/recording";
import { Say } from "../../Say";
import { How } from "../../shell/How";
import { Refused } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import classes from "./Bench.module.css";

type Reckoning = Schemas["Reckoning"];

/** An instrument's worked example: what it is about, and what goes in. */
export interface Example<I> {
  words: string;
  input: I;
}

/**
 * Asks the server to reckon as one types; a refusal names the field. Until
 * enough is typed it reckons the example.
 */
export function useReckoning<I>(
  id: string,
  input: I,
  ready: boolean,
  ask: (input: I) => Parameters<typeof answer<Reckoning>>[0],
  example?: Example<Partial<NoInfer<I>>>,
) {
  // It settles as text, which is the same where nothing changed, and with
  // whether it was ready.
  const [settled] = useDebouncedValue(ready ? JSON.stringify(input) : "", 150);
  const query = useQuery({
    queryKey: ["reckon", id, settled],
    queryFn: () => answer(ask(JSON.parse(settled) as I)),
    placeholderData: keepPreviousData,
    enabled: ready && settled !== "",
    retry: false,
  });
  const shown = useQuery({
    queryKey: ["reckon", id, "example"],
    queryFn: () => answer(ask(example?.input as I)),
    enabled: example !== undefined && !ready,
    retry: false,
  });
  const fields = query.error instanceof Problem ? query.error.fields : {};
  return {
    result: ready && !query.isLoadingError ? query.data : undefined,
    error: ready ? query.error : null,
    fields,
    example:
      !ready && example && shown.data
        ? { words: example.words, result: shown.data, input: example.input as Partial<I> }
        : undefined,
  };
}

export const bench = client;

/** An amount of a reckoning by its name. */
export const amountOf = (reckoning: Reckoning, what: string) => reckoning.amounts.find((a) => a.what === what)?.value;

interface SheetProps<I> {
  title: string;
  about: string;
  children: ReactNode;
  result: Reckoning | undefined;
  error: Error | null;
  /** Reckoned until enough is typed. */
  example?: { words: string; result: Reckoning; input: Partial<I> };
  /** Draws what was reckoned; for the example, of what goes into it. */
  picture?: (reckoning: Reckoning, example?: Partial<I>) => ReactNode;
  /** Said where nothing has been typed yet. */
  empty: string;
  /** What the result is called when it is kept with a plant. */
  what: string;
  /** Records something else than the bare amounts. */
  keep?: (amounts: Schemas["Amount"][]) => Record<string, unknown>;
}

/** One instrument: what goes in at the left, what comes out at the right. */
export function Sheet<I>(props: SheetProps<I>) {
  const { title, about, children, result, error, example, picture, empty, what, keep } = props;
  return (
    <section className="patch" aria-label={title}>
      <h2>{title}</h2>
      <p className="soft small mt-2 mb-12">{about}</p>
      <div className={classes.sheet}>
        <div className={classes.fields}>{children}</div>
        <div aria-live="polite" data-testid="reckoning">
          {!result && !error && <p className="soft">{empty}</p>}
          {example && (
            <figure className={classes.example}>
              <figcaption>
                For example: <Say>{example.words}</Say>
              </figcaption>
              {picture?.(example.result, example.input)}
              <Results reckoning={example.result} />
            </figure>
          )}
          <Refused error={error} />
          {result && (
            <>
              {picture?.(result)}
              <Results reckoning={result} />
              <Keep what={what} amounts={result.amounts} body={keep} />
            </>
          )}
        </div>
      </div>
    </section>
  );
}

/** What was reckoned, each number with its working, and what to beware of. */
function Results({ reckoning }: { reckoning: Reckoning }) {
  const [system] = useUnits();
  return (
    <>
      <ul className={classes.results}>
        {reckoning.amounts.map((a) => (
          <li key={a.what}>
            <span>{a.what}</span>
            <b className="numbers">{sayQuantity(a.value, a.unit, system)}</b>
            <How working={a.working} of={a.what} />
          </li>
        ))}
      </ul>
      {reckoning.warnings.map((w) => (
        <p key={w} className="ochre small mt-8 mb-0">
          <b aria-hidden>! </b>
          <Say>{w}</Say>
        </p>
      ))}
    </>
  );
}

interface KeepProps {
  what: string;
  amounts: Schemas["Amount"][];
  body?: (amounts: Schemas["Amount"][]) => Record<string, unknown>;
}

/** Sends a result to a plant's plan and record. */
function Keep({ what, amounts, body }: KeepProps) {
  const [search] = useSearchParams();
  const [words, setWords] = useState("");
  const [q] = useDebouncedValue(words, 150);
  const [plant, setPlant] = useState<string | null>(search.get("plant"));
  const [id, setId] = useState(newId);
  const register = useRegister(q ? { q } : {});
  const session = useSession();
  const record = useRecord(plant ?? "");
  const plants = register.data?.pages.flatMap((p) => p.plants) ?? [];
  return (
    <Group align="end" mt="md" gap="sm">
      <Select
        label="Keep it with a plant"
        placeholder="name or label"
        searchable
        clearable
        searchValue={words}
        onSearchChange={setWords}
        filter={({ options }) => options}
        data={plants.map((p) => ({ value: p.id, label: p.label ? `${p.name} (${p.label})` : p.name }))}
        value={plant}
        onChange={setPlant}
      />
      <Button
        variant="default"
        disabled={!plant}
        loading={record.isPending}
        onClick={() =>
          record.mutate(
            { id, on: session.data?.today ?? "", ...(body ? body(amounts) : { prepared: { what, amounts } }) },
            {
              onSuccess: () => {
                setId(newId());
                notifications.show({ message: `Kept: ${what}` });
              },
            },
          )
        }
      >
        Keep it
      </Button>
      <Refused error={record.error} />
    </Group>
  );
}

/** A kind to compare with. */
export function KindPick({
  kinds,
  value,
  onChange,
}: {
  kinds: Schemas["Profile"][];
  value: string | null;
  onChange: (v: string | null) => void;
}) {
  return (
    <Select
      label="Against a kind"
      placeholder="any"
      searchable
      clearable
      limit={30}
      data={kinds.map((p) => ({ value: p.id, label: p.common ? `${p.botanical} (${p.common})` : p.botanical }))}
      value={value}
      onChange={onChange}
    />
  );
}
