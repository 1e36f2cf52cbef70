import { Button, Group, Modal } from "@mantine/core";
import type { Question } from "../api/meant";

/** A mistake about to be made is named at that moment; it can be made all the same. */
export default function Meant({ question }: { question: Question }) {
  return (
    <Modal opened onClose={() => question.answer(false)} title="Record it all the same?">
      {question.said.map((s) => (
        <p className="mt-0" key={s}>
          {s}
        </p>
      ))}
      <p className="soft small">If you record it all the same, this warning is kept with it.</p>
      <Group mt="md" gap="sm">
        <Button variant="default" onClick={() => question.answer(false)} data-autofocus>
          Leave it
        </Button>
        <Button color="madder" onClick={() => question.answer(true)}>
          Record it all the same
        </Button>
      </Group>
    </Modal>
  );
}
