import { Popover } from "@mantine/core";
import type { ReactNode } from "react";
import type { Working } from "../api/client";
import { sayQuantity, useUnits } from "../units";

/** The working of a number, open beside its button. */
export function HowOpen({ working, children }: { working: Working; children: ReactNode }) {
  const [system] = useUnits();
  return (
    <Popover defaultOpened width={320} withArrow shadow="sm" trapFocus returnFocus>
      <Popover.Target>{children}</Popover.Target>
      <Popover.Dropdown>
        <dl className="small m-0">
          {(working.inputs ?? []).map((i) => (
            <div className="flex apart-x gap-12" key={i.name}>
              <dt className="soft">{i.name}</dt>
              <dd className="m-0">{i.unit ? sayQuantity(i.value, i.unit, system) : Number(i.value.toFixed(3))}</dd>
            </div>
          ))}
        </dl>
        <p className="small my-8">{working.formula}</p>
        <p className="small soft m-0">
          After: {working.source}. How sure: {working.sure}.
        </p>
      </Popover.Dropdown>
    </Popover>
  );
}
