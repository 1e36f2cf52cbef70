import { describe, expect, it } from "vitest";

const sources = import.meta.glob<string>("./**/*.tsx", { query: "?raw", import: "default", eager: true });
const there = Object.keys(import.meta.glob("../node_modules/@mantine/core/styles/*.css"));

/** The parts of the library that the screens use, by the names under which they are imported. */
function used(): string[] {
  const names = new Set<string>();
  for (const source of Object.values(sources)) {
    for (const found of source.matchAll(/import \{([^}]*)\} from "@mantine\/core"/g)) {
      for (const name of (found[1] ?? "").split(",")) names.add(name.replace("type ", "").trim());
    }
  }
  return [...names].filter((name) => there.some((file) => file.endsWith(`/${name}.css`)));
}

describe("styles", () => {
  it("are shipped for every part that the screens use, each once", () => {
    const shipped = [...(sources["./main.tsx"] ?? "").matchAll(/@mantine\/core\/styles\/([\w-]+)\.css/g)].map(
      (m) => m[1],
    );
    expect(used().length).toBeGreaterThan(10);
    expect(used().filter((name) => !shipped.includes(name))).toEqual([]);
    expect(new Set(shipped).size).toBe(shipped.length);
  });
});
