import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { device, show } from "../../../testing/page";
import { DishPicture } from "./DishPicture";
import { JugPicture } from "./JugPicture";
import { MixPicture } from "./MixPicture";
import { PotPicture } from "./PotPicture";
import { halfAt, layer } from "./shapes";

device();

const told = () => screen.queryByRole("img")?.getAttribute("aria-label");

describe("a picture of the bench", () => {
  it("shows ball, pot and old pot to one scale", () => {
    show(<PotPicture ballCm={7} oldCm={15} widthCm={9.5} depthCm={8.74} />);
    expect(told()).toBe("To scale: a live root ball of 7 cm in a pot of 9.5 cm, before one of 15 cm.");
    const ball = document.querySelector("ellipse");
    expect(2 * Number(ball?.getAttribute("rx"))).toBe(7);
    const [old, pot] = [...document.querySelectorAll("path")].map((p) =>
      (p.getAttribute("d") ?? "").match(/-?[\d.]+/g)?.map(Number),
    );
    expect((old?.[6] ?? 0) - (old?.[0] ?? 0)).toBeCloseTo(15);
    expect((pot?.[6] ?? 0) - (pot?.[0] ?? 0)).toBeCloseTo(9.5);
    // The ball keeps inside its pot.
    expect(Number(ball?.getAttribute("cy")) + Number(ball?.getAttribute("ry"))).toBeLessThan(pot?.[3] ?? 0);
  });

  it("is told without an old pot", () => {
    show(<PotPicture ballCm={3} oldCm={undefined} widthCm={5.5} depthCm={5} />);
    expect(told()).toBe("To scale: a live root ball of 3 cm in a pot of 5.5 cm.");
  });

  it("stacks the parts of a mix, and draws none without parts", () => {
    const { unmount } = show(
      <MixPicture
        parts={[
          { what: "bark", parts: 3, litres: 0.6 },
          { what: "perlite", parts: 1, litres: 0.2 },
          { what: "", parts: 1 },
          { what: "moss", parts: 0 },
        ]}
      />,
    );
    expect(told()).toBe("In the pot: bark: 75 %, 0.6 l; perlite: 25 %, 0.2 l.");
    unmount();
    show(<MixPicture parts={[{ what: "bark", parts: 0 }]} />);
    expect(told()).toBeUndefined();
  });

  it("stands a pot in its dish to scale, the water under the longest root", () => {
    const { unmount } = show(<DishPicture depthMm={90} rootMm={51} levelMm={29} />);
    expect(told()).toBe("To scale: a pot 90 mm deep over a dish, water to 29 mm, its longest root 51 mm.");
    const water = document.querySelector("rect");
    expect(Number(water?.getAttribute("height"))).toBeCloseTo((29 / 90) * 7.5);
    unmount();
    const dry = show(<DishPicture depthMm={90} levelMm={0} />);
    expect(told()).toBe("To scale: a pot 90 mm deep over a dish, no water any more.");
    dry.unmount();
    show(<DishPicture depthMm={0} levelMm={0} />);
    expect(told()).toBeUndefined();
  });

  it("fills a jug from below", () => {
    show(
      <JugPicture
        of={[
          { what: "alcohol", ml: 182 },
          { what: "water", ml: 68 },
        ]}
      />,
    );
    expect(told()).toBe("In the jug: alcohol 182 ml, water 68 ml.");
    const [below, above] = [...document.querySelectorAll("rect")].map((r) => Number(r.getAttribute("y")));
    expect(above).toBeLessThan(below ?? 0);
  });
});

describe("the side of a pot", () => {
  it("is widest at the rim and narrower at the foot", () => {
    const pot = { width: 10, depth: 9 };
    expect(halfAt(pot, 9)).toBe(5);
    expect(halfAt(pot, 0)).toBeCloseTo(3.8);
    expect(halfAt(pot, 99)).toBe(5);
    expect(layer(pot, 0, 9, 5, 10)).toContain("L10 1");
  });
});
