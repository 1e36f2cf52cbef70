import { lazy, Suspense, useState } from "react";
import type { Working } from "../api/client";
import { useAtRest } from "./atRest";

const fetched = () => import("./HowOpen");
const HowOpen = lazy(async () => ({ default: (await fetched()).HowOpen }));

/** Opens a number to its working: what went in, by which formula, after whom, how sure. */
export function How({ working, of }: { working: Working; of: string }) {
  const [asked, ask] = useState(false);
  useAtRest(fetched);
  const label = `How ${of} came about`;
  const shut = (
    <button
      type="button"
      className="linkbutton small soft"
      aria-label={label}
      aria-haspopup="dialog"
      aria-expanded={false}
      onClick={() => ask(true)}
    >
      how?
    </button>
  );
  if (!asked) return shut;
  return (
    <Suspense fallback={shut}>
      <HowOpen working={working}>
        {/* biome-ignore lint/a11y/noAutofocus: it stands for the button that was pressed */}
        <button type="button" className="linkbutton small soft" aria-label={label} autoFocus>
          how?
        </button>
      </HowOpen>
    </Suspense>
  );
}
