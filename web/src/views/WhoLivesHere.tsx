import { Button, Checkbox, Stack } from "@mantine/core";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { useSaveHousehold, useSettings } from "../api/household";
import { Failed, Refused, Waiting } from "../shell/States";

const living = [
  { key: "children", label: "Children" },
  { key: "pets", label: "Cats, dogs or other animals" },
  { key: "pollinators", label: "Plants outdoors, or where bees reach them" },
  { key: "asthma", label: "Somebody with asthma or weak lungs" },
] as const;

/** Asked once for a household: it changes products and cautions. */
export function WhoLivesHere({ household }: { household: Schemas["Household"] }) {
  const save = useSaveHousehold();
  const [home, setHome] = useState(household);
  return (
    <section className="patch" aria-label="Who lives here">
      <h2>Who lives here?</h2>
      <p className="soft small">Asked once. It changes what is proposed and what is warned of.</p>
      <Stack gap="xs" mt="xs">
        {living.map((l) => (
          <Checkbox
            key={l.key}
            label={l.label}
            checked={home[l.key]}
            onChange={(e) => setHome({ ...home, [l.key]: e.currentTarget.checked })}
          />
        ))}
      </Stack>
      <Button mt="sm" variant="default" loading={save.isPending} onClick={() => save.mutate(home)}>
        That is so
      </Button>
      {save.isSuccess && (
        <span role="status" className="soft small">
          {" "}
          Kept.
        </span>
      )}
      <Refused error={save.error} />
    </section>
  );
}

/** The same question on a page of its own, for when somebody moves in. */
export function HouseholdPage() {
  const settings = useSettings();
  if (settings.isPending) return <Waiting />;
  if (settings.isLoadingError) return <Failed error={settings.error} retry={() => settings.refetch()} />;
  return (
    <div className="max-560">
      <title>Who lives here · Tender Mend</title>
      <WhoLivesHere household={settings.data.household} />
    </div>
  );
}
