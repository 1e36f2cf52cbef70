import { Button, Group } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { QRCodeSVG } from "qrcode.react";
import type { CSSProperties } from "react";
import { Link, useSearchParams } from "react-router";
import type { PlantRow } from "../../api/client";
import { useRegister } from "../../api/plants";
import { shortDay } from "../../dates";
import { NumberField } from "../../fields";
import { Bare, Failed, Waiting } from "../../shell/States";
import { isolationWord, sayCount } from "../words";
import classes from "./Labels.module.css";

/** The sheet that labels are printed on, mm. */
interface Sheet {
  width: number;
  height: number;
  across: number;
  gap: number;
}

const usual: Sheet = { width: 60, height: 25, across: 3, gap: 2 };

/** Labels to print for a box, a tag or what was picked: name, code, day, and a code that a phone opens the plant by. */
export function Labels() {
  const [search] = useSearchParams();
  const tag = search.get("tag") ?? undefined;
  const plants = search.getAll("plants");
  const [sheet, setSheet] = useLocalStorage<Sheet>({
    key: "label-sheet",
    defaultValue: usual,
    getInitialValueInEffect: false,
  });
  const register = useRegister(plants.length > 0 ? { plants } : { tag });
  if (register.isPending) return <Waiting />;
  if (register.isLoadingError) return <Failed error={register.error} retry={() => register.refetch()} />;
  const rows = register.data?.pages.flatMap((p) => p.plants ?? []) ?? [];
  const total = register.data?.pages[0]?.total ?? rows.length;
  if (rows.length === 0 || (plants.length === 0 && !tag)) {
    return (
      <Bare title="No plants for labels">
        <p>Pick plants in the register, or open a box, and print their labels from there.</p>
        <Link to="/plants">To the register</Link>
      </Bare>
    );
  }
  const field = (key: keyof Sheet, label: string, least: number, most: number) => (
    <NumberField
      label={label}
      suffix={key === "across" ? undefined : " mm"}
      min={least}
      max={most}
      clampBehavior="blur"
      allowDecimal={false}
      value={sheet[key]}
      onChange={(v) => setSheet({ ...sheet, [key]: Math.min(most, Math.max(least, v ?? usual[key])) })}
    />
  );
  return (
    <>
      <title>Labels · Tender Mend</title>
      <div className={classes.form}>
        <h1>Labels</h1>
        <p className="soft mt-4">
          {sayCount(rows.length, "label")}. A phone’s camera opens the plant by its code, for who is signed in here.
        </p>
        <Group align="end" gap="sm" mb="md" className={classes.fields}>
          {field("width", "Width of one", 20, 200)}
          {field("height", "Height of one", 12, 150)}
          {field("across", "How many across", 1, 8)}
          {field("gap", "Gap between", 0, 20)}
          <Button onClick={() => window.print()}>Print them</Button>
          {rows.length < total && (
            <Button variant="default" onClick={() => register.fetchNextPage()}>
              The others as well
            </Button>
          )}
        </Group>
      </div>
      <ul
        className={classes.sheet}
        style={
          {
            "--label-width": `${sheet.width}mm`,
            "--label-height": `${sheet.height}mm`,
            "--label-gap": `${sheet.gap}mm`,
            "--label-across": sheet.across,
          } as CSSProperties
        }
      >
        {rows.map((r) => (
          <OneLabel key={r.id} row={r} height={sheet.height} />
        ))}
      </ul>
    </>
  );
}

/** How much of a label's height its code takes. */
const codeShare = 0.8;

function OneLabel({ row, height }: { row: PlantRow; height: number }) {
  const address = `${window.location.origin}/plants/${row.id}`;
  return (
    <li className={classes.label}>
      <QRCodeSVG
        value={address}
        level="M"
        marginSize={0}
        title={`Opens ${row.name}`}
        style={{ width: `${height * codeShare}mm`, height: `${height * codeShare}mm` }}
      />
      <div className={classes.words}>
        <b>{row.name}</b>
        {row.botanical && <i>{row.botanical}</i>}
        <span>
          {row.label && <strong>{row.label}</strong>} {shortDay(row.arrivedOn)} {row.arrivedOn.slice(0, 4)}
        </span>
        {row.isolation !== "clean" && (
          <span className={classes.suspect}>
            <span aria-hidden>▦ </span>
            {isolationWord(row.isolation)}
          </span>
        )}
      </div>
    </li>
  );
}
