import { useState } from "react";

/** A plant that was picked, to do something with several at once. */
export interface Picked {
  id: string;
  name: string;
}

/** Which plants are picked. */
export function usePicked() {
  const [plants, setPlants] = useState<Picked[]>([]);
  const has = (id: string) => plants.some((p) => p.id === id);
  return {
    plants,
    has,
    toggle: (one: Picked) => setPlants(has(one.id) ? plants.filter((p) => p.id !== one.id) : [...plants, one]),
    /** Picks all of them; where all are picked, none of them. */
    toggleAll: (all: Picked[]) => {
      const rest = plants.filter((p) => !all.some((a) => a.id === p.id));
      setPlants(all.every((a) => has(a.id)) ? rest : [...rest, ...all]);
    },
    keep: (ids: string[]) => setPlants(plants.filter((p) => ids.includes(p.id))),
    clear: () => setPlants([]),
  };
}

export type Picking = ReturnType<typeof usePicked>;
