import { Button, Group, TextInput } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useState } from "react";
import { Link } from "react-router";

interface Kept {
  name: string;
  /** Filters and order, as they stand in the address. */
  search: string;
}

interface KeptViewsProps {
  search: URLSearchParams;
  /** Told of the view that is opened: the words that are typed follow it. */
  opened: (kept: URLSearchParams) => void;
}

/** Filters and orders of the register that are kept by name on this device, and the way to keep those at hand. */
export function KeptViews({ search, opened }: KeptViewsProps) {
  const [kept, setKept] = useLocalStorage<Kept[]>({
    key: "register-views",
    defaultValue: [],
    getInitialValueInEffect: false,
  });
  const [typed, setTyped] = useState<string>();
  const now = search.toString();
  const isKept = kept.some((k) => k.search === now);
  const keep = () => {
    const name = (typed ?? "").trim();
    if (!name) return;
    setKept([...kept.filter((k) => k.name !== name), { name, search: now }]);
    setTyped(undefined);
  };
  if (kept.length === 0 && now === "") return null;
  return (
    <Group gap="sm" mb="sm" align="end" component="nav" aria-label="Kept views">
      {kept.map((k) => (
        <span key={k.name} className="no-wrap small">
          <Link
            to={`/plants?${k.search}`}
            aria-current={k.search === now ? "page" : undefined}
            onClick={() => opened(new URLSearchParams(k.search))}
          >
            {k.name}
          </Link>{" "}
          <button
            type="button"
            className="linkbutton soft"
            aria-label={`Take out the view ${k.name}`}
            onClick={() => setKept(kept.filter((x) => x.name !== k.name))}
          >
            take out
          </button>
        </span>
      ))}
      {now !== "" && !isKept && typed === undefined && (
        <button type="button" className="linkbutton small" onClick={() => setTyped("")}>
          Keep this view
        </button>
      )}
      {typed !== undefined && (
        <form
          className="flex gap-12"
          onSubmit={(e) => {
            e.preventDefault();
            keep();
          }}
        >
          <TextInput
            size="xs"
            aria-label="What the view is called"
            placeholder="what it is called"
            maxLength={40}
            value={typed}
            onChange={(e) => setTyped(e.currentTarget.value)}
          />
          <Button type="submit" size="compact-sm" variant="default" disabled={typed.trim() === ""}>
            Keep it
          </Button>
        </form>
      )}
    </Group>
  );
}
