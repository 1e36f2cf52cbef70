import { Button, PasswordInput, Stack, TextInput } from "@mantine/core";
import { useState } from "react";
import { type AccountView, account, type ByOwner, useAccount, useChange } from "../../api/account";
import { Problem } from "../../api/client";
import { Failed, Refused, Waiting } from "../../shell/States";
import { CalendarLink } from "./CalendarLink";
import { Leave } from "./Leave";
import { SecondFactor } from "./SecondFactor";
import { Sessions } from "./Sessions";

/** What is wrong at a field, where the server said so. */
const at = (error: Error | null, field: string) => (error instanceof Problem ? error.fields[field] : undefined);

/** The person's own account: what they are called, how they get in, where they are, and how they leave. */
export function AccountPage() {
  const mine = useAccount();
  const [owner, setOwner] = useState<ByOwner>({ password: "" });
  if (mine.isPending) return <Waiting />;
  if (mine.isLoadingError) return <Failed error={mine.error} retry={() => mine.refetch()} />;
  // A code is good once.
  const done = () => setOwner((o) => ({ ...o, code: "" }));
  return (
    <>
      <title>Your account · Tender Mend</title>
      <h1>Your account</h1>
      <section className="patch max-560 mt-10 mb-18" aria-label="Your present password">
        <p className="mt-0">Every change on this page asks for your present password; type it once, here.</p>
        <Stack gap="sm">
          <PasswordInput
            label="Present password"
            autoComplete="current-password"
            value={owner.password}
            onChange={(e) => setOwner({ ...owner, password: e.currentTarget.value })}
          />
          {mine.data.secondFactor && (
            <TextInput
              label="Code"
              description="The one your app shows now, or a recovery code; each is good once"
              autoComplete="one-time-code"
              value={owner.code ?? ""}
              onChange={(e) => setOwner({ ...owner, code: e.currentTarget.value })}
            />
          )}
        </Stack>
      </section>
      <div className="columns">
        <Name mine={mine.data} owner={owner} done={done} />
        <NewPassword owner={owner} done={done} />
        <SecondFactor mine={mine.data} owner={owner} done={done} />
        <CalendarLink />
        <Sessions sessions={mine.data.sessions} />
        <LinkFor owner={owner} done={done} />
        <Leave owner={owner} />
      </div>
    </>
  );
}

function Name({ mine, owner, done }: { mine: AccountView; owner: ByOwner; done: () => void }) {
  const [said, setSaid] = useState({ name: mine.name, email: mine.email });
  const change = useChange(account.change);
  return (
    <section className="patch" aria-label="Name and address">
      <h2>Name and address</h2>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          change.mutate({ ...owner, ...said }, { onSuccess: done });
        }}
      >
        <Stack gap="sm" mt="xs">
          <TextInput
            label="Your name"
            autoComplete="name"
            value={said.name}
            error={at(change.error, "name")}
            onChange={(e) => setSaid({ ...said, name: e.currentTarget.value })}
          />
          <TextInput
            label="E-mail"
            type="email"
            autoComplete="username"
            value={said.email}
            error={at(change.error, "email")}
            onChange={(e) => setSaid({ ...said, email: e.currentTarget.value })}
          />
          {!at(change.error, "name") && !at(change.error, "email") && <Refused error={change.error} />}
          <Kept when={change.isSuccess} />
          <Button type="submit" variant="default" loading={change.isPending}>
            Change name and address
          </Button>
        </Stack>
      </form>
    </section>
  );
}

function NewPassword({ owner, done }: { owner: ByOwner; done: () => void }) {
  const [fresh, setFresh] = useState("");
  const change = useChange(account.password);
  return (
    <section className="patch" aria-label="Password">
      <h2>Password</h2>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          change.mutate(
            { ...owner, new: fresh },
            {
              onSuccess: () => {
                setFresh("");
                done();
              },
            },
          );
        }}
      >
        <Stack gap="sm" mt="xs">
          <PasswordInput
            label="New password"
            description="At least 12 characters; a short sentence is good"
            autoComplete="new-password"
            value={fresh}
            error={at(change.error, "new")}
            onChange={(e) => setFresh(e.currentTarget.value)}
          />
          {!at(change.error, "new") && <Refused error={change.error} />}
          <Kept when={change.isSuccess} said="Changed. Wherever else you were signed in, you are signed out." />
          <Button type="submit" variant="default" loading={change.isPending}>
            Change the password
          </Button>
        </Stack>
      </form>
    </section>
  );
}

function LinkFor({ owner, done }: { owner: ByOwner; done: () => void }) {
  const [email, setEmail] = useState("");
  const make = useChange(account.link);
  const link = make.data && new URL(make.data.link, window.location.origin).href;
  return (
    <section className="patch" aria-label="A lost password">
      <h2>A lost password</h2>
      <p className="soft small">
        For somebody who works in this collection with you, and in no other: a link with which they set their password,
        once, within a day. Give it to them alone; whoever has it gets in.
      </p>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          make.mutate({ ...owner, email }, { onSuccess: done });
        }}
      >
        <Stack gap="sm">
          <TextInput
            label="Their e-mail"
            type="email"
            value={email}
            error={at(make.error, "email")}
            onChange={(e) => setEmail(e.currentTarget.value)}
          />
          {!at(make.error, "email") && <Refused error={make.error} />}
          {link && <TextInput label="The link" readOnly value={link} onFocus={(e) => e.currentTarget.select()} />}
          <Button type="submit" variant="default" loading={make.isPending}>
            Make a link
          </Button>
        </Stack>
      </form>
    </section>
  );
}

/** Says that something was kept. */
export function Kept({ when, said = "Kept." }: { when: boolean; said?: string }) {
  return (
    <span role="status" className="soft small">
      {when ? said : ""}
    </span>
  );
}
