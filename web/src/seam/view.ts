import { useCallback, useRef, useState } from "react";

/** The days of a seam that are in view, counted from its first day. */
export interface View {
  from: number;
  to: number;
}

const leastDays = 10;

/** Keeps a view inside the whole and no narrower than can be read. */
export function within(view: View, whole: number): View {
  const size = Math.min(Math.max(view.to - view.from, leastDays), whole);
  const from = Math.min(Math.max(view.from, 0), whole - size);
  return { from, to: from + size };
}

/** Zooms by a factor round a day that stays where it is. */
export function zoom(view: View, factor: number, at: number, whole: number): View {
  const size = Math.min(Math.max((view.to - view.from) * factor, leastDays), whole);
  const share = (at - view.from) / (view.to - view.from);
  return within({ from: at - size * share, to: at + size * (1 - share) }, whole);
}

/** Pan and zoom of a seam by fingers, mouse, wheel and keys. */
export function useSeamView(whole: number, width: number, left: number) {
  // Nothing chosen is all of it, also when the seam grows.
  const [chosen, setChosen] = useState<View>();
  const shown = chosen ? within(chosen, whole) : { from: 0, to: whole };
  const setView = useCallback(
    (change: (v: View) => View) =>
      setChosen((c) => {
        const next = change(c ? within(c, whole) : { from: 0, to: whole });
        return next.to - next.from < whole - 0.5 ? next : undefined;
      }),
    [whole],
  );
  const touching = useRef(new Map<number, number>());
  const perDay = (width - left) / (shown.to - shown.from);
  const dayAt = (px: number) => shown.from + (px - left) / perDay;
  const pan = useCallback(
    (days: number) => setView((v) => within({ from: v.from + days, to: v.to + days }, whole)),
    [whole, setView],
  );
  const zoomAt = useCallback(
    (factor: number, at: number) => setView((v) => zoom(v, factor, at, whole)),
    [whole, setView],
  );
  const reset = () => setChosen(undefined);
  const middle = (shown.from + shown.to) / 2;
  return {
    view: shown,
    perDay,
    zoomed: chosen !== undefined,
    closer: () => zoomAt(0.6, middle),
    wider: () => zoomAt(1 / 0.6, middle),
    reset,
    /** For a listener that may keep the page from scrolling and zooming along. */
    wheel: (e: WheelEvent) => {
      const box = e.currentTarget as Element;
      const sideways = Math.abs(e.deltaX) > Math.abs(e.deltaY);
      // Turning the wheel scrolls the page, unless the seam is being worked with.
      if (!sideways && !e.ctrlKey && !e.shiftKey && document.activeElement !== box) return;
      e.preventDefault();
      if (sideways) pan(e.deltaX / perDay);
      else zoomAt(e.deltaY > 0 ? 1.15 : 1 / 1.15, dayAt(e.clientX - box.getBoundingClientRect().left));
    },
    handlers: {
      onPointerDown: (e: React.PointerEvent) => {
        touching.current.set(e.pointerId, e.clientX);
        e.currentTarget.setPointerCapture?.(e.pointerId);
      },
      onPointerMove: (e: React.PointerEvent) => {
        const before = touching.current.get(e.pointerId);
        if (before === undefined) return;
        const others = [...touching.current].filter(([id]) => id !== e.pointerId);
        if (others.length === 0) {
          pan((before - e.clientX) / perDay);
        } else {
          const other = others[0]?.[1] ?? 0;
          const was = Math.abs(before - other);
          const is = Math.abs(e.clientX - other);
          if (was > 8 && is > 8) {
            const box = e.currentTarget.getBoundingClientRect();
            zoomAt(was / is, dayAt((e.clientX + other) / 2 - box.left));
          }
        }
        touching.current.set(e.pointerId, e.clientX);
      },
      onPointerUp: (e: React.PointerEvent) => touching.current.delete(e.pointerId),
      onPointerCancel: (e: React.PointerEvent) => touching.current.delete(e.pointerId),
      onKeyDown: (e: React.KeyboardEvent) => {
        const size = shown.to - shown.from;
        const acts: Record<string, () => void> = {
          ArrowLeft: () => pan(-size / 6),
          ArrowRight: () => pan(size / 6),
          "+": () => zoomAt(0.7, middle),
          "=": () => zoomAt(0.7, middle),
          "-": () => zoomAt(1 / 0.7, middle),
          "0": reset,
          Home: () => pan(-whole),
          End: () => pan(whole),
        };
        const act = acts[e.key];
        if (act && !e.ctrlKey && !e.metaKey) {
          e.preventDefault();
          act();
        }
      },
    },
  };
}
