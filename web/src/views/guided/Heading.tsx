import { type ReactNode, useEffect, useRef } from "react";

/** The heading of one step. It takes the focus, so that what is new is read out and no key answers it unread. */
export function Heading({ children }: { children: ReactNode }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    heading.current?.focus({ preventScroll: true });
    if (window.scrollY > 0) window.scrollTo({ top: 0 });
  }, []);
  return (
    <h1 ref={heading} tabIndex={-1} className="no-outline">
      {children}
    </h1>
  );
}
