import { Button, Group, Select, TextInput } from "@mantine/core";
import { notifications } from "@mantine/notifications";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useSaveSupply, useStock, useSupplies } from "../../api/household";
import { newId } from "../../api/id";
import { useSession } from "../../api/plants";
import { NumberField } from "../../fields";
import { Failed, Refused, Waiting } from "../../shell/States";
import classes from "./Bench.module.css";

type Supply = Schemas["Supply"];

const unitNames = [
  { value: "ml", label: "ml" },
  { value: "l", label: "litres" },
  { value: "g", label: "grams" },
  { value: "kg", label: "kilograms" },
  { value: "pieces", label: "pieces" },
];

/** What is in the cupboard: stocked by hand, used up by the steps of plans. */
export function Cupboard() {
  const supplies = useSupplies();
  if (supplies.isPending) return <Waiting />;
  if (supplies.isLoadingError) return <Failed error={supplies.error} retry={() => supplies.refetch()} />;
  const list = supplies.data.supplies;
  return (
    <section className="patch" aria-label="Cupboard">
      <h2>Cupboard</h2>
      <p className="soft small mt-2 mb-10">
        Named as on a plan (perlite, mild liquid soap), a supply is counted against its steps. What runs low stands on
        every shopping list.
      </p>
      {list.length === 0 ? (
        <p>Nothing is kept here yet. Add what you use most: the plan then says what is missing.</p>
      ) : (
        <div className="scroll-x">
          <table className={classes.cupboard}>
            <thead>
              <tr>
                <th>Supply</th>
                <th>Left</th>
                <th>Low at</th>
                <th>Price of one</th>
                <th>In or out</th>
              </tr>
            </thead>
            <tbody>
              {list.map((s) => (
                <Row key={s.id} supply={s} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <hr className="rule" />
      <AddSupply />
    </section>
  );
}

function Row({ supply }: { supply: Supply }) {
  const session = useSession();
  const stock = useStock();
  const save = useSaveSupply();
  const [amount, setAmount] = useState<number>();
  const [id, setId] = useState(newId);
  const low = supply.stock <= supply.low;
  const move = (sign: 1 | -1) =>
    stock.mutate(
      { supply: supply.id, id, on: session.data?.today ?? "", amount: sign * (amount ?? 0) },
      {
        onSuccess: () => {
          setId(newId());
          setAmount(undefined);
        },
      },
    );
  // Nothing is lost by taking it off: the newest version says where it stands.
  const putAway = (withdrawn: boolean) => {
    const { id, name, unit, low, price } = supply;
    const version = withdrawn ? supply.version : supply.version + 1;
    save.mutate({ id, name, unit, low, price, version, withdrawn });
    notifications.hide(supply.id);
    if (!withdrawn) return;
    notifications.show({
      id: supply.id,
      message: (
        <Group justify="space-between" wrap="nowrap">
          <span>Off the list: {supply.name}</span>
          <Button size="compact-sm" variant="default" onClick={() => putAway(false)}>
            Bring back
          </Button>
        </Group>
      ),
    });
  };
  return (
    <tr data-supply={supply.name}>
      <td>
        {supply.name}
        <Refused error={stock.error ?? save.error} />
      </td>
      <td className={low ? "red" : undefined}>
        <b className="numbers">{Number(supply.stock.toFixed(2))}</b> {supply.unit}
        {low && " · low"}
      </td>
      <td className="numbers">{supply.low || "–"}</td>
      <td className="numbers">{supply.price !== undefined ? supply.price.toFixed(2) : "–"}</td>
      <td>
        <Group gap="xs" wrap="nowrap">
          <NumberField aria-label={`How much ${supply.name}`} min={0} w={80} value={amount} onChange={setAmount} />
          <Button
            variant="default"
            size="compact-md"
            disabled={!amount}
            onClick={() => move(1)}
            loading={stock.isPending}
          >
            in
          </Button>
          <Button
            variant="default"
            size="compact-md"
            disabled={!amount}
            onClick={() => move(-1)}
            loading={stock.isPending}
          >
            out
          </Button>
          <button
            type="button"
            className="linkbutton small soft"
            aria-label={`Take ${supply.name} off the list`}
            onClick={() => putAway(true)}
          >
            off the list
          </button>
        </Group>
      </td>
    </tr>
  );
}

function AddSupply() {
  const save = useSaveSupply();
  const [id, setId] = useState(newId);
  const [name, setName] = useState("");
  const [unit, setUnit] = useState<Supply["unit"]>("l");
  const [low, setLow] = useState<number>();
  const [price, setPrice] = useState<number>();
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate(
          { id, name, unit, low: low ?? 0, price, version: 0 },
          {
            onSuccess: () => {
              setId(newId());
              setName("");
              setLow(undefined);
              setPrice(undefined);
            },
          },
        );
      }}
    >
      <Group align="end" gap="sm">
        <TextInput label="Supply" value={name} onChange={(e) => setName(e.currentTarget.value)} maxLength={80} />
        <Select
          label="Counted in"
          allowDeselect={false}
          w={130}
          data={unitNames}
          value={unit}
          onChange={(v) => v && setUnit(v as Supply["unit"])}
        />
        <NumberField label="Low at" min={0} w={90} value={low} onChange={setLow} />
        <NumberField label="Price of one" min={0} w={110} value={price} onChange={setPrice} />
        <Button type="submit" variant="default" loading={save.isPending}>
          Add it
        </Button>
      </Group>
      <Refused error={save.error} />
    </form>
  );
}
