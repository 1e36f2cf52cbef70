import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { useFamily } from "../../api/pieces";
import { standingWord } from "../words";
import classes from "./Pieces.module.css";

type Member = Schemas["FamilyPlant"];

/** A plant's family, from the oldest ancestor here: where each is now, and what lived. */
export function Family({ plant }: { plant: string }) {
  const family = useFamily(plant, true).data?.plants ?? [];
  const oldest = family.find((p) => p.generation === 0);
  if (family.length < 2 || !oldest) return null;
  const lost = family.filter((p) => ["lost", "died"].includes(p.standing)).length;
  const sick = family.filter((p) => p.has.length > 0 && p.id !== plant);
  return (
    <section className="patch mt-18" aria-label="Its family">
      <h2>Its family</h2>
      <p className="my-4">
        {family.length} in all, {family.length - lost} of them living{lost > 0 && `, ${lost} lost`}.
        {sick.length > 0 && (
          <b className="red"> {sick.map((p) => `“${p.name}” has ${p.has.join(", ").toLowerCase()}`).join("; ")}.</b>
        )}
      </p>
      <ul className={classes.tree}>
        <Branch member={oldest} family={family} plant={plant} />
      </ul>
    </section>
  );
}

interface BranchProps {
  member: Member;
  family: Member[];
  plant: string;
}

function Branch({ member, family, plant }: BranchProps) {
  // What was potted out of a batch hangs on the batch.
  const under = family.filter((p) =>
    p.batchOf ? p.batchOf === member.id : p.mother === member.id && p.id !== member.id,
  );
  return (
    <li>
      {member.id === plant ? (
        <b aria-current="page">{member.name}</b>
      ) : (
        <Link to={`/plants/${member.id}`}>{member.name}</Link>
      )}{" "}
      <span className="soft small">
        {[
          member.label,
          member.batch ? `${member.batch.alive} of ${member.batch.n} alive` : standingWord(member.standing),
          member.place,
        ]
          .filter(Boolean)
          .join(" · ")}
      </span>
      {member.has.length > 0 && <span className="red small"> · {member.has.join(", ")}</span>}
      {under.length > 0 && (
        <ul>
          {under.map((p) => (
            <Branch key={p.id} member={p} family={family} plant={plant} />
          ))}
        </ul>
      )}
    </li>
  );
}
