import type { Knowledge } from "../../api/client";
import { Say } from "../../Say";
import { SignPicture } from "../look/SignPicture";
import classes from "./Guided.module.css";
import { Heading } from "./Heading";

interface WhichSignProps {
  said: string;
  signs: string[];
  knowledge: Knowledge;
  pick: (sign: string) => void;
  none: () => void;
  back: () => void;
}

/** What a complaint may mean, by drawings: the one that fits is picked. */
export function WhichSign({ said, signs, knowledge, pick, none, back }: WhichSignProps) {
  return (
    <>
      <Heading>{said}: which of these is it?</Heading>
      <ul className={classes.choices}>
        {signs.flatMap((id) => {
          const s = knowledge.signs.find((x) => x.id === id);
          if (!s) return [];
          return (
            <li key={id}>
              <button type="button" onClick={() => pick(id)} data-sign={id}>
                <SignPicture drawing={s.drawing} width={150} />
                <span>
                  <b>
                    <Say>{s.label}</Say>
                  </b>
                  <span className="soft small block">
                    <Say>{s.looks}</Say>
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      <p>
        <button type="button" className="linkbutton" onClick={none}>
          None of these: ask me
        </button>{" "}
        ·{" "}
        <button type="button" className="linkbutton" onClick={back}>
          Back
        </button>
      </p>
    </>
  );
}
