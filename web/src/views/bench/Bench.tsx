import { NavLink, Outlet } from "react-router";
import classes from "./Bench.module.css";

const tools = [
  { to: "/bench", label: "Pot", end: true },
  { to: "/bench/dish", label: "Dish" },
  { to: "/bench/mix", label: "Mix" },
  { to: "/bench/dilution", label: "Dilution" },
  { to: "/bench/dose", label: "Label dose" },
  { to: "/bench/feed", label: "Feed" },
  { to: "/bench/light", label: "Light" },
  { to: "/bench/air", label: "Air" },
  { to: "/bench/runway", label: "Reserves" },
  { to: "/bench/cupboard", label: "Cupboard" },
];

/** Small instruments that show their formulas; each can keep its result with a plant. */
export function Bench() {
  return (
    <>
      <title>Bench · Tender Mend</title>
      <h1>Bench</h1>
      <p className="soft mt-4 mb-14">
        Measure, mix and dilute. Every number opens to how it came about; none of it is recorded until you keep it with
        a plant.
      </p>
      <div className={classes.bench}>
        <nav className={classes.tools} aria-label="Instruments">
          {tools.map((t) => (
            <NavLink key={t.to} to={t.to} end={t.end}>
              {t.label}
            </NavLink>
          ))}
        </nav>
        <Outlet />
      </div>
    </>
  );
}
