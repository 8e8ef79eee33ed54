import { fireEvent, screen } from "@testing-library/react";
import { expect, it } from "vitest";
import { show } from "../../../testing/view";
import { monthInWords, monthsAhead } from "../../parts/months";
import { countryName } from "../keywords/countryName";
import { change } from "./DemandFigures";
import { WeekChart } from "./WeekChart";

const week = (first: string, clicks: number, position = 4) => ({ first, clicks, impressions: clicks * 10, position });
const WEEKS = [week("2026-10-26", 40), week("2026-11-02", 90), week("2026-11-09", 70), week("2026-11-16", 20, 0)];

it("shades the window that is looked at, and tells a week that is pointed at", () => {
  const { container } = show(<WeekChart weeks={WEEKS} first="2026-11-09" last="2026-11-22" width={400} />);
  const chart = screen.getByRole("img");
  expect(chart.getAttribute("aria-label")).toBe("Clicks by week, 4 weeks; most 90 in the week from 2 Nov 2026");
  const shade = container.querySelector("rect");
  expect([shade?.getAttribute("x"), shade?.getAttribute("width")]).toEqual(["200", "200"]);
  expect(screen.getByText("Clicks by week, at most 90.")).toBeTruthy();
  chart.getBoundingClientRect = () => ({ left: 0, width: 400 }) as DOMRect;
  fireEvent.mouseMove(chart, { clientX: 150 });
  expect(screen.getByText("Week from 2 Nov 2026: 90 clicks, 900 impressions, at position 4.0.")).toBeTruthy();
  fireEvent.mouseMove(chart, { clientX: 399 });
  expect(screen.getByText("Week from 16 Nov 2026: 20 clicks, 200 impressions.")).toBeTruthy();
  fireEvent.mouseLeave(chart);
  expect(container.querySelector("circle")).toBeNull();
});

it("draws nothing of a single week, and shades nothing where no week is in the window", () => {
  const one = show(<WeekChart weeks={WEEKS.slice(0, 1)} first="2026-11-09" last="2026-11-22" />);
  expect(screen.queryByRole("img")).toBeNull();
  one.unmount();
  const { container } = show(<WeekChart weeks={WEEKS} first="2027-01-04" last="2027-02-01" />);
  expect(container.querySelector("rect")).toBeNull();
  expect(screen.getByRole("img")).toBeTruthy();
});

it.each([
  ["gb", "United Kingdom"],
  ["IE", "Ireland"],
  ["not named", "not named"],
  ["atlantis", "atlantis"],
  ["xq", "xq"],
])("names the country %s %s", (code, name) => {
  expect(countryName(code)).toBe(name);
});

it.each([
  [41, 60, "−19"],
  [1300, 20, "+1,280"],
  [7, 7, "0"],
])("says how %i differs from %i: %s", (now, before, said) => {
  expect(change(now, before)).toBe(said);
});

it("counts months over the turn of the year", () => {
  const months = monthsAhead(new Date(Date.UTC(2026, 10, 30)));
  expect(months).toHaveLength(18);
  expect(months.slice(0, 3)).toEqual(["2026-11", "2026-12", "2027-01"]);
  expect(monthInWords("2027-03")).toBe("March 2027");
});
