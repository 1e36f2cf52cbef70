import { Button, Group } from "@mantine/core";
import { notifications } from "@mantine/notifications";
import dayjs from "dayjs";
import { useRecord, useSession } from "../api/hooks";

/** Says that something was recorded and offers to undo it, instead of asking "are you sure" before. */
export function useUndo(plant: string) {
  const record = useRecord(plant);
  const session = useSession();
  return (said: string, entry: string) => {
    // One at a time: the newest is the one that people take back.
    const id = "undo";
    notifications.hide(id);
    const undo = () => {
      notifications.hide(id);
      record.mutate(
        { on: session.data?.today ?? dayjs().format("YYYY-MM-DD"), voided: { entry, reason: "undone at once" } },
        { onSuccess: () => notifications.show({ message: `Undone: ${said}` }) },
      );
    };
    notifications.show({
      id,
      message: (
        <Group justify="space-between" wrap="nowrap">
          <span>Recorded: {said}</span>
          <Button size="compact-sm" variant="default" onClick={undo}>
            Undo
          </Button>
        </Group>
      ),
    });
  };
}
