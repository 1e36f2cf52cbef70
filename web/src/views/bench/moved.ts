import { useEffect, useRef } from "react";
import type { Schemas } from "../../api/client";
import { useKeepRecipe } from "../../api/household";

const key = "own-mixes";

/** Recipes that were kept on this device, before a collection kept them, go to the collection once. */
export function useMovedRecipes() {
  const { mutateAsync } = useKeepRecipe();
  const begun = useRef(false);
  useEffect(() => {
    const kept = window.localStorage.getItem(key);
    if (!kept || begun.current) return;
    begun.current = true;
    const recipes = JSON.parse(kept) as Schemas["KeptRecipe"][];
    Promise.all(recipes.map((r) => mutateAsync(r))).then(
      () => window.localStorage.removeItem(key),
      () => {}, // they stay on the device and go another time
    );
  }, [mutateAsync]);
}
