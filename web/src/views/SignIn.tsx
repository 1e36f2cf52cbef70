import { Button, Checkbox, PasswordInput, Stack, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { account } from "../api/account";
import { answer, client, codeWanted, Problem, type Session } from "../api/client";
import { queries } from "../api/queries";
import { Figure } from "../figure/Figure";
import { Refused } from "../shell/States";
import classes from "./SignIn.module.css";

// The drawing at the door: a plant that was looked over and is well.
const mended = Object.fromEntries(
  ["leaves", "undersides", "joints", "new", "stem", "base", "surface", "pot", "roots"].map((z) => [
    z,
    { seen: 0, absent: 1 },
  ]),
);
const knot = "M8 14 C60 6 90 22 140 13 S230 8 300 14";

export function SignIn({ session }: { session: Session | undefined }) {
  const [opening, setOpening] = useState(session?.firstAccount ?? false);
  return (
    <main className={`page ${classes.door}`}>
      <div className={classes.halves}>
        <div>
          <h1 className="size-40">Tender Mend</h1>
          <svg width="100%" height="28" viewBox="0 0 310 28" preserveAspectRatio="none" aria-hidden="true">
            <path
              d={knot}
              fill="none"
              stroke="var(--red)"
              strokeWidth="3"
              strokeDasharray="12 8"
              strokeLinecap="round"
            />
          </svg>
          <p className="size-19 max-420">
            Find what ails a plant from the signs you see, treat it, and follow it until it mends.
          </p>
          <p className="soft max-420">
            Chances and times are estimates; labels, local rules and your own eyes come first.
          </p>
          <div className={classes.drawn} aria-hidden="true">
            <Figure figure="vine" zones={[]} state={mended} name="a plant" />
          </div>
        </div>
        <div className="patch">
          {opening ? (
            <OpenAccount
              first={session?.firstAccount ?? false}
              back={session?.firstAccount ? undefined : () => setOpening(false)}
            />
          ) : (
            <SignInForm session={session} open={session?.openAccounts ? () => setOpening(true) : undefined} />
          )}
        </div>
      </div>
    </main>
  );
}

function useEnter() {
  const cache = useQueryClient();
  return (s: Session) => {
    // Nothing that somebody else may have seen stays.
    cache.removeQueries({ predicate: (q) => q.queryKey[0] !== "session" });
    cache.setQueryData(queries.session.queryKey, s);
  };
}

function SignInForm({ session, open }: { session: Session | undefined; open?: () => void }) {
  const enter = useEnter();
  const form = useForm({ initialValues: { email: "", password: "" } });
  const [code, setCode] = useState("");
  const [asksCode, setAsksCode] = useState(false);
  const signIn = useMutation({
    mutationFn: (body: { email: string; password: string; code?: string }) =>
      answer(client.POST("/api/session", { body })),
    onSuccess: enter,
    onError: (e) => e instanceof Problem && e.type === codeWanted && setAsksCode(true),
  });
  const [lost, setLost] = useState(false);
  const navigate = useNavigate();
  const demo = useMutation({
    mutationFn: (_: string) => answer(client.POST("/api/session/demo")),
    onSuccess: (s, way) => {
      navigate(way);
      enter(s);
    },
  });
  return (
    <Stack gap="md">
      {session?.demoOffered && (
        <>
          <h2>What brings you here?</h2>
          <Button onClick={() => demo.mutate("/trouble")} loading={demo.isPending} size="md">
            Something is wrong with my plant
          </Button>
          <Button onClick={() => demo.mutate("/plants/new")} disabled={demo.isPending} variant="default">
            I have a new plant
          </Button>
          <Button onClick={() => demo.mutate("/")} disabled={demo.isPending} variant="default">
            Look round the demo clinic
          </Button>
          <p className="small soft m-0">
            All three open a made-up plant clinic in an old ferry terminal, with nothing to type: about thirty plants,
            some mended, two lost.
          </p>
          <Refused error={demo.error} />
          <hr className="rule full-width" />
        </>
      )}
      <form onSubmit={form.onSubmit((v) => signIn.mutate(asksCode ? { ...v, code } : v))}>
        <Stack gap="sm">
          <h2>Sign in</h2>
          <TextInput label="E-mail" type="email" autoComplete="username" required {...form.getInputProps("email")} />
          <PasswordInput
            label="Password"
            autoComplete="current-password"
            required
            {...form.getInputProps("password")}
          />
          {asksCode && (
            <TextInput
              label="Code"
              description="The one your app shows now, or a recovery code"
              autoComplete="one-time-code"
              data-autofocus
              autoFocus
              value={code}
              onChange={(e) => setCode(e.currentTarget.value)}
            />
          )}
          <Refused error={signIn.error} />
          <Button type="submit" variant={session?.demoOffered ? "default" : "filled"} loading={signIn.isPending}>
            Sign in
          </Button>
        </Stack>
      </form>
      {lost ? (
        <LostPassword letters={session?.sendsLetters ?? false} email={form.values.email} />
      ) : (
        <button type="button" className="linkbutton" onClick={() => setLost(true)}>
          I lost my password
        </button>
      )}
      {open && (
        <button type="button" className="linkbutton" onClick={open}>
          Start an empty collection of your own
        </button>
      )}
    </Stack>
  );
}

function LostPassword({ letters, email }: { letters: boolean; email: string }) {
  const [to, setTo] = useState(email);
  const ask = useMutation({ mutationFn: account.askLetter });
  if (!letters) {
    return (
      <p className="m-0" role="status">
        Ask somebody who works in the same collection for a link (Your account, A lost password), or whoever runs this
        installation. With the link you set a new one.
      </p>
    );
  }
  if (ask.isSuccess) {
    return (
      <p className="m-0" role="status">
        If there is an account for this address, a letter with a link is on its way. The link is good once, for a day.
      </p>
    );
  }
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        ask.mutate(to);
      }}
    >
      <Stack gap="sm">
        <TextInput
          label="Where the letter goes"
          type="email"
          autoComplete="username"
          required
          value={to}
          onChange={(e) => setTo(e.currentTarget.value)}
        />
        <Refused error={ask.error} />
        <Button type="submit" variant="default" loading={ask.isPending}>
          Send me a link
        </Button>
      </Stack>
    </form>
  );
}

function OpenAccount({ first, back }: { first: boolean; back?: () => void }) {
  const enter = useEnter();
  const form = useForm({ initialValues: { name: "", email: "", password: "", collection: "", south: false } });
  const open = useMutation({
    mutationFn: (body: typeof form.values) =>
      answer(
        client.POST("/api/accounts", {
          body: { ...body, timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone },
        }),
      ),
    onSuccess: enter,
    onError: (e) => e instanceof Problem && form.setErrors(e.fields),
  });
  return (
    <form onSubmit={form.onSubmit((v) => open.mutate(v))} noValidate>
      <Stack gap="sm">
        <h2>{first ? "The first account" : "A collection of your own"}</h2>
        {first && (
          <p className="soft m-0">
            Nobody has an account here yet. Yours will be the first; it starts with an empty collection.
          </p>
        )}
        <TextInput label="Your name" autoComplete="name" {...form.getInputProps("name")} />
        <TextInput
          label="What the collection is called"
          placeholder="North window sill"
          {...form.getInputProps("collection")}
        />
        <TextInput label="E-mail" type="email" autoComplete="username" {...form.getInputProps("email")} />
        <PasswordInput
          label="Password"
          description="At least 12 characters; a short sentence is good"
          autoComplete="new-password"
          {...form.getInputProps("password")}
        />
        <Checkbox
          label="South of the equator (seasons turn round)"
          {...form.getInputProps("south", { type: "checkbox" })}
        />
        {open.error && Object.keys((open.error as Problem).fields ?? {}).length === 0 && <Refused error={open.error} />}
        <Button type="submit" loading={open.isPending}>
          Begin
        </Button>
        {back && (
          <button type="button" className="linkbutton" onClick={back}>
            Back to sign in
          </button>
        )}
      </Stack>
    </form>
  );
}
