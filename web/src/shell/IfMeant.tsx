import { lazy, Suspense } from "react";
import { useQuestion } from "../api/meant";

const Meant = lazy(() => import("./Meant"));

/** The question whether something is meant, while it is asked. */
export function IfMeant() {
  const question = useQuestion();
  if (!question) return null;
  return (
    <Suspense>
      <Meant question={question} />
    </Suspense>
  );
}
