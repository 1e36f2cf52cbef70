import { Button, PasswordInput, Stack } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { account, useReset } from "../../api/account";
import { Problem } from "../../api/client";
import { Failed, Refused, Waiting } from "../../shell/States";

/** Sets a password by a link, once. */
export function Reset() {
  const { token = "" } = useParams();
  const whose = useReset(token);
  const [fresh, setFresh] = useState("");
  const set = useMutation({ mutationFn: (password: string) => account.setLost(token, password) });
  const wrong = set.error instanceof Problem ? set.error.fields.password : undefined;
  return (
    <main className="page" style={{ maxWidth: 520, paddingTop: "7vh" }}>
      <title>A new password · Tender Mend</title>
      <h1>Tender Mend</h1>
      {set.isSuccess ? (
        <div className="patch" role="status">
          <h2>Your password is set</h2>
          <p>Wherever you were signed in, you are signed out.</p>
          <Link to="/">Sign in with it</Link>
        </div>
      ) : whose.isPending ? (
        <Waiting rows={2} />
      ) : whose.isError ? (
        <>
          <Failed error={whose.error} />
          <p>
            <Link to="/">To the sign-in</Link>
          </p>
        </>
      ) : (
        <form
          className="patch"
          onSubmit={(e) => {
            e.preventDefault();
            set.mutate(fresh);
          }}
        >
          <Stack gap="sm">
            <h2>A new password for {whose.data.name}</h2>
            <PasswordInput
              label="New password"
              description="At least 12 characters; a short sentence is good"
              autoComplete="new-password"
              value={fresh}
              error={wrong}
              onChange={(e) => setFresh(e.currentTarget.value)}
            />
            {!wrong && <Refused error={set.error} />}
            <Button type="submit" loading={set.isPending}>
              Set it
            </Button>
          </Stack>
        </form>
      )}
    </main>
  );
}
