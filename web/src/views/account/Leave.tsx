import { Button, Group, Modal } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { account, type ByOwner, useChange } from "../../api/account";
import { Refused } from "../../shell/States";
import { forgetRecent } from "../recent";

/** Deletes the account with everything in it, after everything was offered as a file. */
export function Leave({ owner }: { owner: ByOwner }) {
  const cache = useQueryClient();
  const [asked, setAsked] = useState(false);
  const erase = useChange(account.erase);
  return (
    <section className="patch" aria-label="Leave">
      <h2>Leave</h2>
      <p>
        Deletes your account, and every plant, picture and entry of a collection in which nobody else works. This is the
        one thing here that cannot be taken back.
      </p>
      <Button variant="default" onClick={() => setAsked(true)}>
        Delete my account …
      </Button>
      <Modal opened={asked} onClose={() => setAsked(false)} title="Delete your account with everything?">
        <p className="mt-0">
          Take everything out first: it can be read here again, or anywhere, since it is in an open format.
        </p>
        <p>
          <a href="/api/archive.json" download>
            Everything, as JSON
          </a>
        </p>
        <Refused error={erase.error} />
        <Group mt="md" gap="sm">
          <Button variant="default" onClick={() => setAsked(false)} data-autofocus>
            Keep it
          </Button>
          <Button
            color="madder"
            loading={erase.isPending}
            onClick={() =>
              erase.mutate(owner, {
                onSuccess: () => {
                  cache.clear();
                  forgetRecent();
                  window.location.assign("/");
                },
              })
            }
          >
            Delete everything
          </Button>
        </Group>
      </Modal>
    </section>
  );
}
