import { Button, Group } from "@mantine/core";
import { useNavigate } from "react-router";
import { newId } from "../../api/id";
import { useMany } from "../../api/recording";
import { Refused } from "../../shell/States";
import { useUndoMany } from "../undo";
import { sayCount } from "../words";
import type { OutbreakOf } from "./outbreak";

/** What is done about an outbreak as a whole: keep apart, treat together, let back. */
export function OutbreakActs({ outbreak }: { outbreak: OutbreakOf }) {
  const many = useMany();
  const undo = useUndoMany();
  const go = useNavigate();
  const { label, today, plants } = outbreak;
  const sick = plants.filter((p) => p.role === "sick");
  const free = sick.filter((p) => p.isolation !== "isolated");
  const back = plants.filter((p) => p.role === "cleared" && p.isolation !== "clean");
  const tag = `${label}, ${today.slice(0, 7)}`;
  const move = (of: typeof plants, said: string, isolation: "isolated" | "clean", reason?: string) =>
    many.mutate(
      of.map((p) => ({ id: newId(), plant: p.id, on: today, moved: { isolation, reason } })),
      { onSuccess: ({ kept }) => kept.length > 0 && undo(said, sayCount(kept.length, "plant"), kept) },
    );
  const together = () =>
    many.mutate(
      sick.map((p) => ({ id: newId(), plant: p.id, on: today, tagged: { add: [tag] } })),
      { onSuccess: ({ kept }) => kept.length > 0 && go(`/together?tag=${encodeURIComponent(tag)}`) },
    );
  return (
    <>
      <Group mt="sm">
        {free.length > 0 && (
          <Button
            color="plum"
            loading={many.isPending}
            onClick={() => move(free, "kept apart", "isolated", `${label}: it has it`)}
          >
            Keep {sayCount(free.length, "plant")} apart that {free.length === 1 ? "has" : "have"} it
          </Button>
        )}
        {sick.length > 1 && (
          <Button variant="default" loading={many.isPending} onClick={together}>
            Treat {sayCount(sick.length, "plant")} together
          </Button>
        )}
        {back.length > 0 && (
          <Button
            variant="default"
            loading={many.isPending}
            onClick={() => move(back, "back among the others", "clean")}
          >
            Let {sayCount(back.length, "plant")} back among the others
          </Button>
        )}
      </Group>
      <Refused error={many.error} />
    </>
  );
}
