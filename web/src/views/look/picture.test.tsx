import { render } from "@testing-library/react";
import { describe, expect, it } from "vitest";
// The table of the program itself: id, drawing, what it is taken for.
import text from "../../../../core/diagnosis/tables/sign_pictures.csv?raw";
import { SignPicture, strokesOf } from "./SignPicture";

const table = text
  .trim()
  .split("\n")
  .slice(1)
  .map((line) => line.split(",") as [string, string, string]);

const drawn = (drawing: string) => JSON.stringify(strokesOf(drawing).strokes);

describe("the pictures of signs", () => {
  it("are all drawn, part and marks", () => {
    expect(table).toHaveLength(175);
    for (const [id, ...drawings] of table)
      for (const drawing of drawings) expect([id, strokesOf(drawing).missing]).toEqual([id, []]);
  });

  it("are each of their own, and none is like what it is taken for", () => {
    const seen = new Map<string, string>();
    for (const [id, drawing, alike] of table) {
      const picture = drawn(drawing);
      expect([id, seen.get(picture)]).toEqual([id, undefined]);
      expect([id, picture === drawn(alike)]).toEqual([id, false]);
      seen.set(picture, id);
    }
  });

  it("are drawn in a box, and not at all where nobody knows the part", () => {
    const { container } = render(<SignPicture drawing="leaf spots/b" />);
    expect(container.querySelectorAll("path").length).toBeGreaterThan(8);
    expect(container.querySelector("clipPath")).toBeTruthy();
    expect(render(<SignPicture drawing="dragon" />).container.querySelector("svg")).toBeNull();
  });
});
