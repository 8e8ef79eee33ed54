import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { place, show, standing } from "../../testing/view";
import { Watch } from "./Watch";

const WATCH = "/api/properties/7/watch";

const figures = (clicks: number) => ({ clicks, impressions: clicks * 20, rate: 0.05, position: 4.2 });
const point = (first: string, clicks: number | null) => ({
  first,
  figures: clicks === null ? null : figures(clicks),
  whole: true,
});

const open = (search: string) => show(<Watch />, `/p/7/watch${search}`);

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve(`GET ${WATCH}/summary`, {
    weeks: [],
    lastYear: null,
    due: 2,
    firstDue: "",
    moves: 1,
    accepted: null,
    improved: 0,
  });
  serve("GET /api/properties/7/sections", [{ section: "/tours/", items: 3, indexable: 3 }]);
  serve("GET /api/properties/7/sets", []);
  serve("GET /api/properties/7/keywords/choices", { topics: [], places: [] });
});

it("draws clicks over time with what happened, and reads them out by the arrow keys", async () => {
  serve(`GET ${WATCH}/course`, {
    courses: [
      {
        code: "all",
        name: "All",
        course: {
          points: [point("2026-10-05", 40), point("2026-10-12", null), point("2026-10-19", 60)],
          now: figures(100),
          before: figures(80),
          yearBefore: null,
        },
      },
    ],
    usualDays: 7,
    holes: ["2026-10-12"],
    moved: [{ from: "http://old.example", to: "https://tarrin.example" }],
    marks: [{ day: "2026-10-20", kind: "release", id: 4, text: "Autumn titles" }],
  });
  open("");
  const chart = await screen.findByRole("img", { name: /^Clicks by week/ });
  expect(screen.getByText(/reported of http:..old.example counts for the same paths on https:/)).toBeTruthy();
  fireEvent.keyDown(chart, { key: "ArrowLeft" });
  expect(await screen.findByText("19 Oct 2026: 60 clicks · Autumn titles, 20 Oct 2026")).toBeTruthy();
  fireEvent.keyDown(chart, { key: "ArrowLeft" });
  expect(await screen.findByText("12 Oct 2026: nothing reported")).toBeTruthy();
  expect(screen.getByText(/of 1 week nothing is reported/)).toBeTruthy();
  expect(screen.getByRole("row", { name: /^All 100 \+25% – 2,000/ })).toBeTruthy();
  fireEvent.click(screen.getByText("As a table"));
  expect(await screen.findByRole("row", { name: "5 Oct 2026 40 clicks" })).toBeTruthy();
  serve(`POST ${WATCH}/notes`, []);
  fireEvent.change(screen.getByLabelText(/What happened/), { target: { value: "New prices" } });
  fireEvent.click(screen.getByRole("button", { name: "Add note" }));
  await waitFor(() => expect(asked(`POST ${WATCH}/notes`)[0].body).toMatchObject({ text: "New prices" }));
});

it("says what a release brought with its interval, and why nothing can be said of another", async () => {
  const effect = {
    verdict: "more",
    clicks: { share: 0.09, low: 0.03, high: 0.16 },
    rate: { share: 0.1, low: 0.02, high: 0.2 },
    position: { share: -0.01, low: -0.05, high: 0.03 },
    items: 78,
    controls: 143,
    notTold: { notYet: 0, young: 2, alone: 0 },
    perMonth: { clicks: 410, low: 120, high: 700 },
    largest: 0.1,
    chance: 0.004,
    weeks: [-3, -2, -1, 0, 1, 2].map((week) => ({
      week,
      actual: 50 + week,
      expected: 48,
      low: 40,
      high: 56,
      counted: week < -2 || week > 1,
    })),
  };
  const row = {
    kind: "release",
    id: "4",
    name: "Autumn titles",
    live: "2026-10-20",
    texts: 80,
    effect,
    estimated: { clicks: 350, low: 240, high: 480 },
    oneOfSeveral: false,
    words: "+9% clicks (+3 to +16%), 78 items against 143; +410 clicks a month",
  };
  serve(`GET ${WATCH}/effects`, [
    row,
    {
      ...row,
      id: "5",
      name: "Winter titles",
      words: "no comparable item was left alone, so nothing can be said; next time, hold a tenth back",
      effect: { ...effect, verdict: "no-controls", weeks: [], notTold: { notYet: 0, young: 0, alone: 9 } },
    },
  ]);
  open("?view=effects");
  expect(await screen.findByText("+9% clicks (+3 to +16%), 78 items against 143; +410 clicks a month.")).toBeTruthy();
  expect(
    screen.getByRole("row", {
      name: "estimated before it was delivered, for an average month of the year +350 +240 and +480",
    }),
  ).toBeTruthy();
  expect(screen.getByRole("row", { name: "came, in the weeks since +410 +120 and +700" })).toBeTruthy();
  expect(screen.getByText("Left out: 2 items were too young before.")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: /Winter titles/ }));
  expect(await screen.findByText(/^No comparable item was left alone/)).toBeTruthy();
  expect(place).toContain("effect=release%3A5");
});

it("sets a move aside with a reason", async () => {
  serve(`GET ${WATCH}/moves`, [
    {
      key: "items|position|one|2026-10-19|x",
      side: "items",
      what: "position",
      spread: "one",
      name: "https://tarrin.example/tours/",
      day: "2026-10-19",
      better: false,
      says: "fell from position 3.2 to 8.4",
      level: { before: 3.2, after: 8.4, ratio: 2.6, noises: 9, clicksPerMonth: -120, series: 1, of: 1 },
      moved: [{ name: "https://tarrin.example/tours/", itemId: 12 }],
      near: [{ kind: "release", day: "2026-10-12", text: "“Autumn titles” with 1 text of these", id: 4 }],
      aside: null,
    },
  ]);
  serve(`POST ${WATCH}/moves/aside`, {});
  open("?view=moves");
  expect(await screen.findByText("/tours/ fell from position 3.2 to 8.4")).toBeTruthy();
  expect(screen.getByText("−120")).toBeTruthy();
  expect(screen.getByRole("link", { name: "Put the old texts back" }).getAttribute("href")).toBe("/p/7/release");
  fireEvent.click(screen.getByRole("button", { name: "Set aside" }));
  const dialog = within(await screen.findByRole("dialog"));
  fireEvent.change(dialog.getByLabelText(/Why it needs nobody/), { target: { value: "An update" } });
  fireEvent.click(dialog.getByRole("button", { name: "Set aside" }));
  await waitFor(() =>
    expect(asked(`POST ${WATCH}/moves/aside`)[0].body).toEqual({
      key: "items|position|one|2026-10-19|x",
      reason: "An update",
    }),
  );
});

it("puts off what is due to a day, and says what is done", async () => {
  const due = (key: string, text: string, isDue: boolean) => ({
    key,
    kind: "release",
    text,
    day: "2026-11-01",
    due: isDue,
    place: "watch?view=effects",
    note: null,
  });
  serve(`GET ${WATCH}/due`, [
    due("release:4", "See what “Autumn titles” brought", true),
    due("season:2027-05", "Get ready for May", false),
  ]);
  serve(`POST ${WATCH}/due/decide`, []);
  open("?view=due");
  expect(await screen.findByRole("heading", { name: "1 thing to look at now" })).toBeTruthy();
  fireEvent.click(screen.getAllByRole("button", { name: "Later" })[0]);
  const dialog = within(await screen.findByRole("dialog"));
  fireEvent.change(dialog.getByLabelText(/^On/), { target: { value: "2026-12-24" } });
  fireEvent.change(dialog.getByLabelText("Note"), { target: { value: "after the fair" } });
  fireEvent.click(dialog.getByRole("button", { name: "Remind me then" }));
  await waitFor(() =>
    expect(asked(`POST ${WATCH}/due/decide`)[0].body).toEqual({
      key: "release:4",
      state: "LATER",
      until: "2026-12-24",
      note: "after the fair",
    }),
  );
  fireEvent.click((await screen.findAllByRole("button", { name: "Done" }))[0]);
  await waitFor(() => expect(asked(`POST ${WATCH}/due/decide`)[1].body).toEqual({ key: "release:4", state: "DONE" }));
});

it("shows whose wording result pages show, and what the replaced ones have in common", async () => {
  const share = (what: string, ours: number, cut: number, itsOwn: number) => ({ what, ours, cut, itsOwn });
  serve("GET /api/properties/7/acceptance", {
    lastLooked: "2026-11-20",
    acceptance: {
      all: share("all", 6, 2, 2),
      byField: [share("title", 6, 2, 2)],
      byLength: [],
      byTemplate: [],
      bySection: [],
      byMonth: [share("2026-11", 6, 2, 2)],
      replaced: {
        title: [{ what: "are wider than the limit", replaced: 2, ofReplaced: 2, shown: 1, ofShown: 8, odds: 2 }],
      },
    },
  });
  serve("GET /api/properties/7/acceptance/results", (it: { query: Record<string, string> }) => [
    {
      itemId: 1,
      address: "https://tarrin.example/tours/",
      field: "title",
      query: "kayak tours",
      position: 4,
      ours: "Guided tours",
      shown: it.query.wording === "cut" ? "Guided …" : "Kayak tours",
      wording: it.query.wording,
      looked: "2026-11-20",
    },
  ]);
  open("?view=acceptance");
  expect(await screen.findByText(/^In 10 results, 80% show our wording/)).toBeTruthy();
  expect(screen.getByText(/2 of 2 are wider than the limit/)).toBeTruthy();
  expect(await screen.findByText("Kayak tours")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: /ours, cut/ }));
  expect(await screen.findByText("Guided …")).toBeTruthy();
});

it("shows where queries stand week by week, and which came to the first page", async () => {
  serve(`GET ${WATCH}/positions`, {
    weeks: [
      { first: "2026-10-05", queries: [1, 2, 3, 4, 5] },
      { first: "2026-10-12", queries: [2, 2, 3, 4, 4] },
    ],
    won: [{ query: "kayak & tour", before: 12.4, now: 6.1, impressions: 1210 }],
    lost: [],
  });
  open("?view=positions");
  const chart = await screen.findByRole("img", { name: /Week from 12 Oct 2026: 2 at 1, 2 at 2 to 3/ });
  fireEvent.keyDown(chart, { key: "ArrowLeft" });
  expect(screen.getByText(/^Week from 5 Oct 2026: 1 at 1, .* 5 beyond/)).toBeTruthy();
  expect(screen.getByRole("heading", { name: "Won: 1 query came to the first page" })).toBeTruthy();
  expect(screen.getByRole("row", { name: "kayak & tour 12.4 6.1 1,210" })).toBeTruthy();
  expect(screen.getByRole("link", { name: "kayak & tour" }).getAttribute("href")).toContain(
    "of=query%3Akayak%20%26%20tour",
  );
  expect(screen.getByText("None in the last four weeks, against the four before.")).toBeTruthy();
});

it("compares with a part that is known by name, and with any query", async () => {
  const all = { code: "all", name: "All", course: { points: [point("2026-10-05", 40)], now: figures(40) } };
  serve(`GET ${WATCH}/course`, { courses: [all], usualDays: 7, holes: [], marks: [], moved: [] });
  serve("GET /api/properties/7/keywords/choices", { topics: [{ value: "tour", count: 3 }], places: [] });
  open("?of=all");
  const box = await screen.findByRole("combobox", { name: "Compare with" });
  fireEvent.change(box, { target: { value: "Section /tours/" } });
  fireEvent.keyDown(box, { key: "Enter" });
  await waitFor(() => expect(place).toContain("section%3A%2Ftours%2F"));
  fireEvent.change(box, { target: { value: "sea kayak, hire" } });
  fireEvent.keyDown(box, { key: "Enter" });
  await waitFor(() => expect(place).toContain("query%3Asea+kayak%2C+hire"));
});

it.each([
  ["course", { courses: [], usualDays: 7, holes: [], marks: [], moved: [] }, "No demand is reported yet"],
  ["positions", { weeks: [], won: [], lost: [] }, "No positions are reported yet."],
  ["moves", [], "Nothing moved suddenly in the last 26 weeks."],
  ["effects", [], "Nothing was delivered yet"],
  ["due", [], "Nothing is due"],
])("says of %s what will stand there, and asks again where no answer came", async (view, empty, says) => {
  serve(`GET ${WATCH}/${view}`, new Problem(503, "The property is being restored."));
  open(`?view=${view}`);
  expect((await screen.findByRole("alert")).textContent).toContain("The property is being restored.");
  serve(`GET ${WATCH}/${view}`, empty);
  fireEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByText(says)).toBeTruthy();
});

it("shows of one query where it stood in result lists, and who stood around it", async () => {
  const query = {
    code: "query:sea kayak",
    name: "sea kayak",
    course: { points: [point("2026-10-05", 40)], now: figures(40) },
  };
  serve(`GET ${WATCH}/course`, { courses: [query], usualDays: 7, holes: [], marks: [], moved: [] });
  serve(`GET ${WATCH}/holders`, []);
  const result = (position: number, title: string, address: string) => ({ position, title, address });
  serve(`GET ${WATCH}/looks`, [
    {
      day: "2026-11-20",
      results: 9,
      ours: result(4, "Tours", "https://tarrin.example/tours/"),
      above: result(3, "Quay tours", "https://quay.example/all"),
      below: null,
    },
    { day: "2026-10-20", results: 10, ours: null, above: null, below: null },
  ]);
  open("?of=query:sea%20kayak&figure=position");
  expect(await screen.findByRole("row", { name: "20 Nov 2026 4 /tours/ Quay tours (quay.example) –" })).toBeTruthy();
  expect(screen.getByRole("row", { name: "20 Oct 2026 not in 10 results – – –" })).toBeTruthy();
  expect(screen.queryByText("Nothing is reported of this.")).toBeNull();
});

it("says where nothing is reported of a part, instead of an empty picture", async () => {
  const none = { ...figures(0), position: 0 };
  const query = {
    code: "query:oars",
    name: "oars",
    course: { points: [{ ...point("2026-10-05", 0), figures: none }], now: none },
  };
  serve(`GET ${WATCH}/course`, { courses: [query], usualDays: 7, holes: [], marks: [], moved: [] });
  serve(`GET ${WATCH}/holders`, []);
  serve(`GET ${WATCH}/looks`, []);
  open("?of=query:oars&figure=position");
  expect(await screen.findByText("Nothing is reported of this.")).toBeTruthy();
});
