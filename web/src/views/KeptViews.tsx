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
  const [naming, setNaming] = useState<string>();
  const now = search.toString();
  const isKept = kept.some((k) => k.search === now);
  const keep = () => {
    const name = (naming ?? "").trim();
    if (!name) return;
    setKept([...kept.filter((k) => k.name !== name), { name, search: now }]);
    setNaming(undefined);
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
      {now !== "" && !isKept && naming === undefined && (
        <button type="button" className="linkbutton small" onClick={() => setNaming("")}>
          Keep this view
        </button>
      )}
      {naming !== undefined && (
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
            value={naming}
            onChange={(e) => setNaming(e.currentTarget.value)}
          />
          <Button type="submit" size="compact-sm" variant="default" disabled={naming.trim() === ""}>
            Keep it
          </Button>
        </form>
      )}
    </Group>
  );
}
