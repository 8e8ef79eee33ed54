import { percent } from "./number";

/** A level that is closer to an average month is not worth a word. */
const HARDLY_ANY = 0.03;

/** How months stand to an average one of the year, "38% more"; "" where they hardly differ. */
export const season = (level: number) =>
  Math.abs(level - 1) < HARDLY_ANY ? "" : `${percent(Math.abs(level - 1))} ${level > 1 ? "more" : "less"}`;
