import { useEffect, useRef } from "react";

/** Steps by keys of a keyboard or a foot switch; not while something is typed. */
export function useStepKeys(go: (to: number) => void, at: number) {
  const keys = useRef({ go, at });
  keys.current = { go, at };
  useEffect(() => {
    const on = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement) return;
      if (e.key === "ArrowRight" || e.key === "PageDown") keys.current.go(keys.current.at + 1);
      if (e.key === "ArrowLeft" || e.key === "PageUp") keys.current.go(keys.current.at - 1);
    };
    window.addEventListener("keydown", on);
    return () => window.removeEventListener("keydown", on);
  }, []);
}
