import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { connection, useConnection } from "../api/connection";

/** How often the server is asked whether it is there again. */
const every = 4000;

/** Says that there is no connection, looks for it by itself, and brings the screen up to date when it is back. */
export function Connection() {
  const there = useConnection();
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
  return (
    <div role="status" className={there ? undefined : "away"}>
      {!there && (
        <>
          <b>No connection.</b> What is shown may be old, and nothing can be recorded. It goes on by itself when the
          connection is back.
        </>
      )}
    </div>
  );
}
