import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { connection, useConnection } from "../api/connection";
import { useWaiting } from "../api/waiting";
import { sayCount } from "../views/words";

/** How often the server is asked whether it is there again. */
const every = 4000;

/** Says that there is no connection, looks for it by itself, and brings the screen up to date when it is back. */
export function Connection() {
  const there = useConnection();
  const waiting = useWaiting();
  const cache = useQueryClient();
  useEffect(() => {
    if (there) return;
    const look = async () => {
      try {
        const answer = await fetch("/healthz", { cache: "no-store" });
        if (!answer.ok) return;
      } catch {
        return;
      }
      connection.back();
      void cache.invalidateQueries();
    };
    const timer = window.setInterval(look, every);
    window.addEventListener("online", look);
    return () => {
      window.clearInterval(timer);
      window.removeEventListener("online", look);
    };
  }, [there, cache]);
  // What waits is kept on this page only: whoever closes it is asked.
  useEffect(() => {
    if (waiting === 0) return;
    const ask = (leaving: BeforeUnloadEvent) => leaving.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [waiting]);
  return (
    <div role="status" className={there ? undefined : "away"}>
      {!there && (
        <>
          <b>No connection.</b> What is shown may be old.{" "}
          {waiting === 0
            ? "Answers of one tap are kept here until it is back; forms keep what you typed."
            : `${sayCount(waiting, "answer")} kept here: recorded when it is back. Leave this page open.`}
        </>
      )}
    </div>
  );
}
