import { Button } from "@mantine/core";
import type { AccountView } from "../../api/account";
import { account, useChange } from "../../api/account";
import { Refused } from "../../shell/States";
import { browserOf } from "./browser";

const time = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });

/** Where one is signed in, and a way to end it. */
export function Sessions({ sessions }: { sessions: AccountView["sessions"] }) {
  const end = useChange(account.endSession);
  const others = useChange(account.endOthers);
  return (
    <section className="patch" aria-label="Where you are signed in">
      <h2>Where you are signed in</h2>
      <p className="soft small">A place that is not used for a week is signed out, and every one after 30 days.</p>
      <ul className="rows no-bullets p-0 mt-6 mb-10">
        {sessions.map((s) => (
          <li className="py-8 px-0 flex gap-10 on-baseline" key={s.id}>
            <div className="grow">
              <div>
                {browserOf(s.agent)} at {s.caller}
                {s.this && <b> · here</b>}
              </div>
              <div className="soft small">
                since {time.format(new Date(s.began))}, last used {time.format(new Date(s.last))}
              </div>
            </div>
            {!s.this && (
              <Button
                size="xs"
                variant="default"
                aria-label={`Sign out ${browserOf(s.agent)} at ${s.caller}`}
                onClick={() => end.mutate(s.id)}
                loading={end.isPending && end.variables === s.id}
              >
                Sign out
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Refused error={end.error ?? others.error} />
      {sessions.length > 1 && (
        <Button variant="default" onClick={() => others.mutate(undefined)} loading={others.isPending}>
          Sign out everywhere else
        </Button>
      )}
    </section>
  );
}
