import type { Task } from "../api/client";

const places: Record<Task["kind"], string> = {
  examine: "/examine",
  decide: "/do",
  plan: "/do",
  step: "/do",
  treat: "/do",
  check: "?check",
  look: "?check",
  late: "?check",
  stall: "/measure",
  pass: "",
  back: "",
  water: "",
  asleep: "?check",
  signal: "",
  pests: "?check",
  apart: "",
  release: "",
  trial: "",
  count: "",
  season: "",
};

/** Where a task of a kind is done, behind the address of its plant; empty where its page itself answers it. */
export const taskPlace = (kind: Task["kind"]) => places[kind];
