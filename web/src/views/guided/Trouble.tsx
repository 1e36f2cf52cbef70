import { Button } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useNavigate } from "react-router";
import { useKnowledge } from "../../api/handbook";
import { useTrouble } from "../../api/plants";
import { Failed, Waiting } from "../../shell/States";
import { beginArrival, useArrivalDraft } from "../arrival/draft";
import { answersOf } from "../look/look";
import { sentence } from "../words";
import { Guided } from "./Guided";
import { begin, type Guide } from "./guided";

/** A guided look at any plant, whether or not it is in the collection: from what is wrong to the first safe act. */
export function Trouble() {
  const [guide, set, clear] = useLocalStorage<Guide>({
    key: "trouble",
    defaultValue: begin(),
    getInitialValueInEffect: false,
  });
  const [, take] = useArrivalDraft();
  const navigate = useNavigate();
  const knowledge = useKnowledge();
  const come = useTrouble(
    { habit: guide.habit, kind: guide.kind, ...answersOf(guide.answers) },
    guide.step === "ask" || guide.step === "end",
  );
  if (knowledge.isPending) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  const figure = knowledge.data.habits.find((h) => h.id === (guide.habit ?? come.data?.habit))?.figure ?? "vine";
  const takeIn = () => {
    const name = guide.kindName && sentence(guide.kindName);
    const arrived = { had: "unknown", habit: guide.habit, profile: guide.kind, name } as const;
    take(beginArrival(arrived, guide.kindName, { id: guide.id, ...answersOf(guide.answers) }));
    clear();
    navigate("/plants/new");
  };
  return (
    <>
      <title>What is wrong? · Tender Mend</title>
      <Guided
        guide={guide}
        set={set}
        knowledge={knowledge.data}
        come={come}
        figure={figure}
        known={false}
        then="Follow this plant: there you decide, and its plan is made."
        finish={
          <>
            <Button size="md" onClick={takeIn}>
              Follow this plant
            </Button>
            <Button variant="default" onClick={() => set(begin())}>
              Begin again
            </Button>
          </>
        }
      />
    </>
  );
}
