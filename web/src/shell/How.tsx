import { Popover } from "@mantine/core";
import type { Working } from "../api/client";
import { sayQuantity, useUnits } from "../units";

/** Opens a number to its working: what went in, by which formula, after whom, how sure. */
export function How({ working, of }: { working: Working; of: string }) {
  const [system] = useUnits();
  return (
    <Popover width={320} withArrow shadow="sm" trapFocus returnFocus>
      <Popover.Target>
        <button type="button" className="linkbutton small soft" aria-label={`How ${of} came about`}>
          how?
        </button>
      </Popover.Target>
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
