import { Button, Stack, TextInput } from "@mantine/core";
import { useState } from "react";
import { type AccountView, account, type ByOwner, useChange } from "../../api/account";
import { Refused } from "../../shell/States";
import { sayCount } from "../words";

/** A code beside the password: set up, its recovery codes, taken away. */
export function SecondFactor({ mine, owner, done }: { mine: AccountView; owner: ByOwner; done: () => void }) {
  const begin = useChange(account.newFactor);
  const confirm = useChange(account.confirmFactor);
  const drop = useChange(account.dropFactor);
  const [code, setCode] = useState("");
  const codes = confirm.data?.codes;
  return (
    <section className="patch" aria-label="A second factor">
      <h2>A second factor</h2>
      {mine.secondFactor ? (
        <>
          <p>A code is asked for beside the password. Left to use: {sayCount(mine.codesLeft, "recovery code")}.</p>
          {codes && (
            <>
              <p>
                <b>Write these down now; they are shown once.</b> Each gets you in once when the app is lost.
              </p>
              <ul aria-label="Recovery codes" className="figures" style={{ columns: 2, listStyle: "none", padding: 0 }}>
                {codes.map((c) => (
                  <li key={c}>
                    <code>{c}</code>
                  </li>
                ))}
              </ul>
            </>
          )}
          <Refused error={drop.error} />
          <Button
            variant="default"
            loading={drop.isPending}
            onClick={() =>
              drop.mutate(owner, {
                onSuccess: () => {
                  done();
                  begin.reset();
                  confirm.reset();
                },
              })
            }
          >
            Take it away
          </Button>
        </>
      ) : begin.data ? (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            confirm.mutate(code, { onSuccess: () => setCode("") });
          }}
        >
          <Stack gap="sm" mt="xs">
            <p className="m-0">
              Read this with an app that makes codes, or type the key into it. Then give the code it shows.
            </p>
            <img
              src={begin.data.picture}
              width={200}
              height={200}
              alt="The key, to be read by an app"
              style={{ background: "#fff", padding: 6 }}
            />
            <code className="break-anywhere">{begin.data.secret}</code>
            <TextInput
              label="The code it shows"
              inputMode="numeric"
              autoComplete="one-time-code"
              value={code}
              onChange={(e) => setCode(e.currentTarget.value)}
            />
            <Refused error={confirm.error} />
            <Button type="submit" loading={confirm.isPending}>
              Ask for it from now on
            </Button>
          </Stack>
        </form>
      ) : (
        <>
          <p>
            Beside the password, a code that your phone makes anew every half minute. Who guesses one lacks the other.
          </p>
          <Refused error={begin.error} />
          <Button variant="default" loading={begin.isPending} onClick={() => begin.mutate(owner)}>
            Set one up
          </Button>
        </>
      )}
    </section>
  );
}
