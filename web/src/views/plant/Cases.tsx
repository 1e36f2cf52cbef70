import { Button, TextInput } from "@mantine/core";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { PlantFile, Schemas } from "../../api/client";
import { useRecord } from "../../api/recording";
import { distance, sayDay } from "../../dates";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { sayCount, sentence, standingWord } from "../words";
import classes from "./Cases.module.css";

type CaseView = Schemas["CaseView"];

/** The id of the case that the file is read for; undefined where there is none. */
export const caseInHand = (file: PlantFile) => file.cases.find((c) => c.id === file.case)?.id;

/** The same, where that case is in work. */
export const openCase = (file: PlantFile) => file.cases.find((c) => c.id === file.case && c.open)?.id;

/** All troubles of a plant: those in work first, and a way to open another. */
export function Cases({ file }: { file: PlantFile }) {
  const open = file.cases.filter((c) => c.open);
  const past = file.cases.filter((c) => !c.open);
  return (
    <section className="patch mt-18" aria-label="Its cases">
      <h2>
        Its cases{" "}
        <span className={classes.when}>
          {open.length} in work{past.length > 0 && `, ${past.length} ended`}
        </span>
      </h2>
      {file.cases.length === 0 && <p className="soft">Nothing has ailed it here so far.</p>}
      <ul className={classes.list}>
        {file.cases.map((c) => (
          <CaseRow key={c.id} file={file} one={c} />
        ))}
      </ul>
      {!file.over && <OpenAnother file={file} />}
    </section>
  );
}

function CaseRow({ file, one }: { file: PlantFile; one: CaseView }) {
  const record = useRecord(file.id);
  return (
    <li className={one.open ? classes.open : undefined} data-case={one.id}>
      <b>{one.name}</b> <span className="small">{one.stage || standingWord(one.standing)}</span>
      <div className="soft small">
        {one.open
          ? `Since ${sayDay(one.from, file.today)}, ${distance(one.from, file.today)}.`
          : `${sayDay(one.from, file.today)} to ${sayDay(one.endedOn ?? file.today, file.today)}.`}
        {one.why && ` ${sentence(one.why)}.`}
        {one.lesson && ` “${one.lesson}”`}
        {one.older && " Judged by an earlier state of the tables."}
      </div>
      <div className="small">
        {one.plan && <Link to={`/plants/${file.id}/do?case=${one.id}`}>its plan</Link>}
        {one.plan && " · "}
        <Link to={`/plants/${file.id}/record?case=${one.id}`}>its record</Link>
        {" · "}
        <Link to={`/plants/${file.id}/look-back?case=${one.id}`}>look back</Link>
        {!one.open && !file.over && (
          <>
            {" · "}
            <button
              type="button"
              className="linkbutton"
              onClick={() => record.mutate({ on: file.today, case: one.id, reopened: {} })}
            >
              take it up again
            </button>
          </>
        )}
      </div>
      <Refused error={record.error} />
    </li>
  );
}

/** Opens a case of its own: another trouble, or the same one again. */
function OpenAnother({ file }: { file: PlantFile }) {
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const [why, setWhy] = useState("");
  if (!asking)
    return (
      <button type="button" className="linkbutton small" onClick={() => setAsking(true)}>
        {file.cases.length === 0 ? "Something is wrong with it" : "Another trouble, or the same one again"}
      </button>
    );
  return (
    <form
      className={classes.harmless}
      onSubmit={(e) => {
        e.preventDefault();
        record.mutate(
          { on: file.today, opened: { why } },
          {
            onSuccess: (made) => {
              undo("a case opened", made.id);
              navigate(`/plants/${file.id}/examine?case=${made.id}`);
            },
          },
        );
      }}
    >
      <TextInput
        label="What made you look"
        value={why}
        onChange={(e) => setWhy(e.currentTarget.value)}
        data-autofocus
      />
      <Button type="submit" variant="default" loading={record.isPending}>
        Open a case
      </Button>
      <Refused error={record.error} />
    </form>
  );
}

/** Says which of several cases a page is about, and leads to the others. */
export function WhichCase({ file, to }: { file: PlantFile; to: string }) {
  const open = file.cases.filter((c) => c.open);
  const here = file.cases.find((c) => c.id === file.case);
  if (!here || (open.length < 2 && here.open)) return null;
  return (
    <p className={classes.which}>
      {here.open ? "The case of" : "An ended case:"} <b>{here.name.toLowerCase()}</b>.{" "}
      {open.filter((c) => c.id !== here.id).length > 0 && (
        <>
          {sayCount(open.length, "case")} in work:{" "}
          {open
            .filter((c) => c.id !== here.id)
            .map((c) => (
              <Link key={c.id} to={`/plants/${file.id}/${to}?case=${c.id}`}>
                {c.name.toLowerCase()}
              </Link>
            ))}
        </>
      )}
    </p>
  );
}
