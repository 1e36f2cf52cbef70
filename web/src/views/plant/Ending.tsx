import { Button } from "@mantine/core";
import { lazy, Suspense } from "react";
import { Link } from "react-router";
import type { PlantFile, Schemas } from "../../api/client";
import { useRecord } from "../../api/recording";
import { sayDay } from "../../dates";
import { useAtRest } from "../../shell/atRest";
import { Refused } from "../../shell/States";
import { sentence, standingWord } from "../words";
import classes from "./Standing.module.css";
import { useAsking } from "./useAsking";

const dialog = () => import("./EndingDialog");
const EndingDialog = lazy(async () => ({ default: (await dialog()).EndingDialog }));

type Outcome = Schemas["Closed"]["outcome"];

const ends: { value: Outcome; label: string }[] = [
  { value: "mended", label: "Mended: normal care from here" },
  { value: "nothing-found", label: "Nothing was wrong" },
  { value: "kept-under-watch", label: "Kept under watch: no treatment, but still looked at" },
  { value: "lost", label: "Lost" },
];

const leaving: { value: Outcome; label: string }[] = [
  { value: "given-away", label: "Given away" },
  { value: "lost", label: "Lost" },
];

/** Ends one case of a plant. */
export function CloseCase({ file, of }: { file: PlantFile; of: string }) {
  return <Ending file={file} of={of} label="Close the case" title="How did it end?" outcomes={ends} />;
}

/** The plant itself goes: given away, or lost. */
export function Leave({ file }: { file: PlantFile }) {
  return <Ending file={file} label="It is no longer here" title="How did it leave?" outcomes={leaving} />;
}

interface EndingProps {
  file: PlantFile;
  of?: string;
  label: string;
  title: string;
  outcomes: { value: Outcome; label: string }[];
}

function Ending(props: EndingProps) {
  const [asking, ask] = useAsking();
  useAtRest(dialog);
  return (
    <>
      <button type="button" className="linkbutton soft" onClick={() => ask(true)}>
        {props.label}
      </button>
      {asking !== undefined && (
        <Suspense fallback={null}>
          <EndingDialog {...props} opened={asking} close={() => ask(false)} />
        </Suspense>
      )}
    </>
  );
}

/** A plant that has left, and the way to say that it is here again. */
export function LeftHere({ file }: { file: PlantFile }) {
  const record = useRecord(file.id);
  return (
    <div className="patch">
      <h2>
        {sentence(standingWord(file.closed?.outcome ?? "lost"))}
        {file.closedOn && <span className={classes.stage}> on {sayDay(file.closedOn, file.today)}</span>}
      </h2>
      <p>{file.closed?.reason || "Its record is kept."}</p>
      <p>
        <Link to={`/plants/${file.id}/look-back`}>Look back over it</Link>
      </p>
      <Button
        variant="default"
        loading={record.isPending}
        onClick={() => record.mutate({ on: file.today, reopened: {} })}
      >
        It is here again
      </Button>
      <Refused error={record.error} />
    </div>
  );
}
