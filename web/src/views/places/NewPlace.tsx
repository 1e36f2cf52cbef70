import { Button, Checkbox, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, client, Problem } from "../../api/client";
import { newId } from "../../api/id";
import { keys } from "../../api/keys";
import { queries } from "../../api/queries";
import { Refused } from "../../shell/States";

/** A form that adds a place at the end of the walk. */
export function NewPlace({ onAdded }: { onAdded?: (id: string) => void }) {
  const cache = useQueryClient();
  const [id, setId] = useState(newId);
  const form = useForm({ initialValues: { name: "", light: "", isolation: false } });
  const add = useMutation({
    mutationFn: (body: typeof form.values) => answer(client.POST("/api/places", { body: { ...body, id } })),
    onSuccess: (all) => {
      cache.setQueryData(queries.places.queryKey, all);
      void cache.invalidateQueries({ queryKey: keys.years });
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
