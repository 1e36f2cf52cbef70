import { Radio, Stack } from "@mantine/core";
import { memo, useState } from "react";
import type { Schemas } from "../../api/client";

interface SchoolsProps {
  schools: Schemas["School"][];
  value: string | undefined;
  onChange: (school: string) => void;
}

/** The schools for an orchid with few roots, best first, the rest folded away. */
export const Schools = memo(function Schools({ schools, value, onChange }: SchoolsProps) {
  const [all, setAll] = useState(false);
  const chosen = value ?? schools[0]?.id;
  const shown = schools.filter((s, i) => all || i < 3 || s.id === chosen);
  return (
    <section className="patch" aria-label="Schools">
      <h2>Ways to re-establish it</h2>
      <Radio.Group value={chosen} onChange={onChange} aria-label="School">
        <Stack gap="sm" mt="xs">
          {shown.map((s) => (
            <Radio
              key={s.id}
              value={s.id}
              disabled={!!s.refused}
              label={
                <>
                  <b>{s.name}</b> <span className="soft small">{s.score > 0 ? `+${s.score}` : s.score}</span>
                  {s.id === schools[0]?.id && <span className="kelp"> · recommended here</span>}
                  {s.refused && <span className="ochre"> · not for this plant: {s.refused}</span>}
                </>
              }
              description={
                <>
                  {s.idea} For {s.suits}. Against it: {s.against}.
                  {(s.reasons?.length ?? 0) > 0 && (
                    <>
                      {" "}
                      Weighed:{" "}
                      {s.reasons
                        ?.slice(0, 3)
                        .map((r) => `${r.text} (${r.weight > 0 ? "+" : "−"}${Math.abs(r.weight)})`)
                        .join("; ")}
                      .
                    </>
                  )}
                </>
              }
            />
          ))}
        </Stack>
      </Radio.Group>
      {shown.length < schools.length && (
        <button type="button" className="linkbutton small mt-8" onClick={() => setAll(true)}>
          {schools.length - shown.length} other schools
        </button>
      )}
    </section>
  );
});
