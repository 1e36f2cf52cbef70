import { sayProse, useUnits } from "./units";

/** A sentence of the server with its quantities in the units of whoever reads it. */
export function Say({ children }: { children: string | undefined }) {
  const [system] = useUnits();
  return <>{sayProse(children ?? "", system)}</>;
}
