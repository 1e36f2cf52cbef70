import { Button, Checkbox, Group, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, client, Problem } from "../api/client";
import { newId } from "../api/id";
import { usePlaces } from "../api/plants";
import { queries } from "../api/queries";
import { Failed, Refused, Waiting } from "../shell/States";

/** The rooms and corners of the walk, in its order. */
export function Places() {
  const places = usePlaces();
  if (places.isPending) return <Waiting />;
  if (places.isLoadingError) return <Failed error={places.error} retry={() => places.refetch()} />;
  const list = places.data.places ?? [];
  return (
    <>
      <title>Places · Tender Mend</title>
      <h1>Places</h1>
      <p className="soft">
        {list.length === 0
          ? "No places yet. A place is a room, a shelf or a corner; the walk goes through them in order, isolated last."
          : "In the order of the walk. Isolated places come last, whatever their turn."}
      </p>
      <div className="columns">
        {list.length > 0 && (
          <div className="patch rows">
            {list.map((p) => (
              <Group key={p.id} justify="space-between" py={9} wrap="nowrap">
                <div>
                  <b className={p.isolation ? "plum" : undefined}>
                    {p.isolation && <span aria-hidden>▦ </span>}
                    {p.name}
                  </b>
                  <div className="soft small">
                    {[p.light, p.isolation ? "kept apart" : ""].filter(Boolean).join(" · ") || "light not said"}
                  </div>
                </div>
                <Link to={`/plants?place=${p.id}`} className="small colour-inherit no-wrap">
                  {p.plants} {p.plants === 1 ? "plant" : "plants"}
                </Link>
              </Group>
            ))}
          </div>
        )}
        <NewPlace />
      </div>
    </>
  );
}

/** A form that adds a place at the end of the walk. */
export function NewPlace({ onAdded }: { onAdded?: (id: string) => void }) {
  const cache = useQueryClient();
  const [id, setId] = useState(newId);
  const form = useForm({ initialValues: { name: "", light: "", isolation: false } });
  const add = useMutation({
    mutationFn: (body: typeof form.values) => answer(client.POST("/api/places", { body: { ...body, id } })),
    onSuccess: (all) => {
      cache.setQueryData(queries.places.queryKey, all);
      onAdded?.(id);
      setId(newId());
      form.reset();
    },
    onError: (e) => e instanceof Problem && form.setErrors(e.fields),
  });
  return (
    <form className="patch" noValidate onSubmit={form.onSubmit((v) => add.mutate(v))}>
      <h2>A new place</h2>
      <TextInput label="Name" mt="sm" placeholder="Kitchen sill" {...form.getInputProps("name")} />
      <TextInput
        label="Its light"
        mt="sm"
        placeholder="East window, morning sun until ten"
        {...form.getInputProps("light")}
      />
      <Checkbox
        mt="sm"
        label="For isolation: its own tray and tools, walked last"
        {...form.getInputProps("isolation", { type: "checkbox" })}
      />
      {add.error && Object.keys((add.error as Problem).fields ?? {}).length === 0 && <Refused error={add.error} />}
      <Button type="submit" mt="md" variant="default" loading={add.isPending}>
        Add the place
      </Button>
    </form>
  );
}
