import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../../testing/server";
import { place, show, standing } from "../../../testing/view";
import { Aim } from "../Aim";

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/jobs", []);
});

const reported = (clicks: number) => ({ clicks, impressions: clicks * 20, rate: 0.05, position: 4.2 });

it("looks at the demand by window, country and side, and opens a query to its items", async () => {
  serve("GET /api/properties/7/demand/window", {
    firstDay: "2025-07-21",
    lastDay: "2026-11-22",
    first: "2026-08-24",
    last: "2026-11-22",
    now: reported(1200),
    before: reported(1300),
    yearBefore: null,
    missing: 7,
    missingBefore: 0,
    weeks: [
      { first: "2026-11-09", clicks: 90, impressions: 1800, position: 4 },
      { first: "2026-11-16", clicks: 110, impressions: 2200, position: 4 },
    ],
    countries: [{ country: "gb", clicks: 1000, impressions: 20_000, rate: 0.05 }],
  });
  const row = { id: 0, text: "kayak hire", itemId: null, now: reported(41), before: reported(60), yearBefore: null };
  serve("GET /api/properties/7/demand/rows", ({ query }: { query: Record<string, string> }) => ({
    total: 1,
    rows: [query.side === "items" ? { ...row, text: "https://t.example/hire", itemId: 4 } : row],
  }));
  show(<Aim />, "/p/7/aim?side=demand");
  expect(await screen.findByText("−19")).toBeTruthy();
  expect(screen.getByText("no data")).toBeTruthy();
  expect(screen.getByText(/7 days of it are in no row/)).toBeTruthy();
  await userEvent.selectOptions(screen.getByLabelText("Country"), "United Kingdom (20,000 impressions)");
  await userEvent.selectOptions(screen.getByLabelText("Window"), "52 weeks");
  await userEvent.selectOptions(screen.getByLabelText("Brand"), "no");
  expect(place).toBe("/p/7/aim?side=demand&country=gb&weeks=52&brand=no");
  fireEvent.click(screen.getAllByRole("button", { name: "vs before" })[0]);
  await waitFor(() =>
    expect(asked("GET /api/properties/7/demand/rows").slice(-1)[0].query).toMatchObject({
      side: "queries",
      country: "gb",
      weeks: "52",
      brand: "no",
      sort: "clicks-change",
    }),
  );
  await userEvent.click(await screen.findByText("kayak hire"));
  const panel = within(await screen.findByLabelText("Demand of kayak hire"));
  expect(await panel.findByText("/hire")).toBeTruthy();
  expect(asked("GET /api/properties/7/demand/window").slice(-1)[0].query).toMatchObject({ query: "kayak hire" });
  fireEvent.click(screen.getByLabelText("Items"));
  await userEvent.click(await screen.findByText("/hire"));
  expect(await screen.findByText("Its queries")).toBeTruthy();
  expect(asked("GET /api/properties/7/demand/window").slice(-1)[0].query).toMatchObject({ item: "4" });
  await userEvent.selectOptions(screen.getByLabelText("Window"), "from … to …");
  fireEvent.change(screen.getByLabelText("First day"), { target: { value: "2026-10-01" } });
  expect(place).toContain("first=2026-10-01&last=2026-11-22");
});

it("says how demand is got where there is none, and what went wrong", async () => {
  const none = reported(0);
  serve("GET /api/properties/7/demand/source", { address: "" });
  serve("GET /api/properties/7/demand/rows", { total: 0, rows: [] });
  serve("GET /api/properties/7/demand/window", { lastDay: "", now: none, before: none, weeks: [], countries: [] });
  const first = show(<Aim />, "/p/7/aim?side=demand");
  expect(await screen.findByText(/No demand yet/)).toBeTruthy();
  expect(screen.getByLabelText("Fetch demand from a reporting service")).toBeTruthy();
  first.unmount();
  serve("GET /api/properties/7/demand/window", new Problem(422, "Expected a window of at most 364 days."));
  show(<Aim />, "/p/7/aim?side=demand&first=2020-01-01");
  expect(await screen.findByText("Expected a window of at most 364 days.")).toBeTruthy();
});
