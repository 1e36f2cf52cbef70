import { Button } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useNavigate } from "react-router";
import { useKnowledge } from "../../api/handbook";
import { useDifferential } from "../../api/plants";
import { useRecord } from "../../api/recording";
import { Failed, Refused, Waiting } from "../../shell/States";
import { Guided } from "../guided/Guided";
import { begin, type Guide } from "../guided/guided";
import { answersOf } from "../look/look";
import { openCase } from "./Cases";
import { usePlantFile } from "./PlantPage";

/** A guided look at a plant of the collection; it is recorded as any look is. */
export function GuidedLook() {
  const file = usePlantFile();
  const [guide, set, clear] = useLocalStorage<Guide>({
    key: `guided-${file.id}`,
    defaultValue: begin(),
    getInitialValueInEffect: false,
  });
  const navigate = useNavigate();
  const knowledge = useKnowledge();
  const record = useRecord(file.id);
  const come = useDifferential(file.id, answersOf(guide.answers), []);
  if (knowledge.isPending) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  const save = () =>
    record.mutate(
      { id: guide.id, on: file.today, case: openCase(file), examined: { ...answersOf(guide.answers), overruled: [] } },
      {
        onSuccess: () => {
          clear();
          navigate(`/plants/${file.id}/do${openCase(file) ? `?case=${openCase(file)}` : ""}`);
        },
      },
    );
  return (
    <Guided
      guide={guide}
      set={set}
      knowledge={knowledge.data}
      come={come}
      figure={file.habitInfo.figure}
      known
      then="Save this look: then you decide, and its plan is made."
      finish={
        <>
          <Button size="md" onClick={save} loading={record.isPending}>
            Save this look
          </Button>
          <Refused error={record.error} />
        </>
      }
    />
  );
}
