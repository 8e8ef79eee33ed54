import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { item, place, show, standing } from "../../testing/view";
import type { KeywordRow } from "../api/client";
import { Aim } from "./Aim";

const keyword = (id: number, phrase: string, changes: Partial<KeywordRow> = {}): KeywordRow => ({
  id,
  phrase,
  volume: 1300,
  broad: null,
  competition: "",
  country: "gb",
  monthly: [],
  lastMonth: "",
  peaks: "",
  topic: "a topic",
  topicByHand: false,
  intent: "transactional",
  intentReason: "it holds “hire”",
  intentByHand: false,
  brand: false,
  place: "",
  clicks: 40,
  impressions: 900,
  position: 4.2,
  role: "primary",
  items: 1,
  itemId: 1,
  address: "https://tarrin.example/page-1",
  byHand: false,
  score: 0.8,
  reason: "all its words stand in the title",
  ...changes,
});

const HOMELESS: Partial<KeywordRow> = {
  items: 0,
  itemId: null,
  address: null,
  reason: null,
  volume: null,
};
const KEYWORDS = "GET /api/properties/7/keywords";

const CHOICES = {
  intents: [{ value: "transactional", keywords: 2 }],
  topics: [{ value: "a topic", keywords: 2 }],
  places: [{ value: "Gull Cove", keywords: 1 }],
  brand: 0,
  seasonal: 1,
  competition: [{ value: "low", keywords: 2 }],
  broad: true,
  countries: ["gb", "ie"],
};

beforeEach(() => {
  serve("GET /api/properties/7/keywords/choices", CHOICES);
  serve("GET /api/properties/7/standing", standing({ indexable: 1200 }));
  serve("GET /api/properties/7/jobs", []);
  serve(KEYWORDS, { total: 2, rows: [keyword(1, "kayak hire"), keyword(2, "sea cave tour", HOMELESS)] });
  serve("GET /api/properties/7/items", { total: 2, asOf: 4, rows: [item(1), item(2)] });
});

it("takes pasted keywords in and says what became of each line", async () => {
  serve("POST /api/properties/7/keywords", {
    added: 2,
    known: 1,
    aimed: 30,
    notes: [{ line: 2, reason: "“tour sea cave” has the same words as “sea cave tour”; both are kept" }],
    unreadable: Array.from({ length: 7 }, (_, i) => ({ line: i + 4, reason: "there is no phrase" })),
  });
  show(<Aim />, "/p/7/aim");
  fireEvent.click(screen.getByRole("button", { name: "Add keywords" }));
  await userEvent.type(await screen.findByLabelText(/One a line/), "kayak hire{enter}sea cave tour");
  fireEvent.click(screen.getByRole("button", { name: "Add" }));
  const said = await screen.findByRole("status");
  expect(said.textContent).toContain("2 keywords added, 1 known already; 30 items aimed.");
  expect(said.textContent).toContain("Line 4: there is no phrase");
  expect(said.textContent).toContain("Line 2: “tour sea cave” has the same words");
  expect(said.textContent).toContain("and 2 more lines that could not be used");
  expect(asked("POST /api/properties/7/keywords")[0].body).toEqual({ text: "kayak hire\nsea cave tour" });
  expect((screen.getByLabelText(/One a line/) as HTMLTextAreaElement).value).toBe("");
});

it("says so where what fits what is still being worked out", async () => {
  serve("POST /api/properties/7/keywords", {
    added: 50_000,
    known: 0,
    aimed: null,
    jobId: 3,
    notes: [],
    unreadable: [],
  });
  show(<Aim />, "/p/7/aim");
  fireEvent.click(screen.getByRole("button", { name: "Add keywords" }));
  await userEvent.type(await screen.findByLabelText(/One a line/), "kayak hire");
  fireEvent.click(screen.getByRole("button", { name: "Add" }));
  expect((await screen.findByText(/50,000 keywords added/)).textContent).toContain("is being worked out");
});

it("leaves a list that could not be read where it is", async () => {
  serve("POST /api/properties/7/keywords", new Problem(422, "No keyword could be read from it; line 1: an address."));
  show(<Aim />, "/p/7/aim");
  fireEvent.click(screen.getByRole("button", { name: "Add keywords" }));
  await userEvent.type(await screen.findByLabelText(/One a line/), "https://x.example/");
  fireEvent.click(screen.getByRole("button", { name: "Add" }));
  expect(await screen.findByText(/No keyword could be read from it/)).toBeTruthy();
  expect((screen.getByLabelText(/One a line/) as HTMLTextAreaElement).value).toBe("https://x.example/");
});

it("shows keywords with their homes, sorted and taken away as they stand, and removes the chosen", async () => {
  serve("POST /api/properties/7/keywords/remove", { ids: [1] });
  serve("POST /api/properties/7/keywords/restore", {});
  show(<Aim />, "/p/7/aim?q=ka");
  expect(await screen.findByText("sea cave tour")).toBeTruthy();
  expect(screen.getByText(/35 of 1,200 indexable items have a keyword/)).toBeTruthy();
  expect(screen.getByText("none")).toBeTruthy();
  expect(asked(KEYWORDS)[0].query).toMatchObject({ q: "ka", sort: "volume", desc: "true" });
  fireEvent.click(screen.getByRole("button", { name: "keyword" }));
  await waitFor(() => expect(asked(KEYWORDS).slice(-1)[0].query).toMatchObject({ sort: "phrase", desc: "false" }));
  expect(screen.getByRole("link", { name: "CSV" }).getAttribute("href")).toBe(
    "/api/properties/7/keywords.csv?q=ka&sort=phrase&desc=false",
  );
  fireEvent.click(screen.getAllByRole("checkbox", { name: /^select/i })[1]);
  fireEvent.click(screen.getByRole("button", { name: "Remove" }));
  await waitFor(() => expect(asked("POST /api/properties/7/keywords/remove")[0]?.body).toEqual({ ids: [1] }));
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() => expect(asked("POST /api/properties/7/keywords/restore")[0]?.body).toEqual({ ids: [1] }));
});

it("looks at the same from the side of the items, and aims them by hand", async () => {
  serve("POST /api/properties/7/targets", { items: 2 });
  serve("POST /api/properties/7/targets/free", { items: 2 });
  show(<Aim />, "/p/7/aim");
  fireEvent.click(await screen.findByRole("link", { name: "Without a keyword" }));
  expect(place).toBe("/p/7/aim?side=aimless");
  await screen.findByText("Title of page 1");
  expect(asked("GET /api/properties/7/items")[0].query).toMatchObject({ target: "without", indexable: "yes" });
  const choose = () => fireEvent.click(screen.getAllByRole("checkbox", { name: /^select/i })[0]);
  choose();
  const bar = within(screen.getByLabelText("Actions for the selected rows"));
  await userEvent.click(bar.getByPlaceholderText("Aim at …"));
  await userEvent.click(await screen.findByText("sea cave tour"));
  await waitFor(() => expect(asked("POST /api/properties/7/targets")).toHaveLength(1));
  expect(asked("POST /api/properties/7/targets")[0].body).toEqual({
    selection: { filter: { target: "without", indexable: "yes" }, except: [] },
    keywordId: 2,
  });
  expect(await screen.findByText("2 items aimed by hand.")).toBeTruthy();
  choose();
  fireEvent.click(screen.getByRole("button", { name: "Clear the keyword" }));
  await waitFor(() => expect(asked("POST /api/properties/7/targets")[1].body).not.toHaveProperty("keywordId"));
});

it("opens a keyword to its figures and to the items that could be its home", async () => {
  const monthly = Array.from({ length: 24 }, (_, i) => (i % 12 === 7 ? 900 : 100));
  const row = keyword(1, "kayak hire", { monthly, lastMonth: "2026-10", peaks: "June", role: "secondary" });
  serve(KEYWORDS, { total: 1, rows: [row] });
  serve("GET /api/properties/7/keywords/1/homes", [
    { itemId: 1, address: "https://tarrin.example/page-1", score: 0.9, reason: "in the title" },
    { itemId: 2, address: "https://tarrin.example/page-2", score: 0.7, reason: "in the H1; already ninth for it" },
  ]);
  serve("GET /api/properties/7/keywords/1/figures", [
    { country: "gb", volume: 1000 },
    { country: "ie", volume: 300 },
  ]);
  serve("POST /api/properties/7/targets", { items: 1 });
  show(<Aim />, "/p/7/aim?topic=a+topic");
  await userEvent.click(await screen.findByText("kayak hire"));
  const panel = within(await screen.findByLabelText("Keyword kayak hire"));
  expect(await panel.findByText("in the H1; already ninth for it")).toBeTruthy();
  expect(panel.getByText(/Peak: June/)).toBeTruthy();
  expect(panel.getByRole("img").getAttribute("aria-label")).toContain("most 900 in June 2025");
  expect(panel.getByText("its item, secondary")).toBeTruthy();
  expect((await panel.findByText(/^Ireland/)).textContent).toBe("Ireland 300");
  expect(panel.getByRole("link", { name: "by query and week" }).getAttribute("href")).toBe(
    "/p/7/aim?side=demand&like=kayak+hire",
  );
  expect(asked(KEYWORDS)[0].query).toMatchObject({ topic: "a topic" });
  fireEvent.click(panel.getByRole("button", { name: "Make this its item" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/targets")[0]?.body).toEqual({ selection: { ids: [2] }, keywordId: 1 }),
  );
});

it("puts chosen keywords under a topic, and settles their intent", async () => {
  serve("POST /api/properties/7/keywords/topic", {});
  serve("POST /api/properties/7/keywords/intent", {});
  show(<Aim />, "/p/7/aim");
  await screen.findByText("sea cave tour");
  const choose = () => fireEvent.click(screen.getAllByRole("checkbox", { name: /^select/i })[1]);
  choose();
  await userEvent.type(screen.getByLabelText("Topic for the selected keywords"), "boats");
  fireEvent.click(screen.getByRole("button", { name: "Put under topic" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/keywords/topic")[0]?.body).toEqual({
      selection: { ids: [1] },
      topic: "boats",
    }),
  );
  choose();
  await userEvent.selectOptions(await screen.findByLabelText("Intent for the selected keywords"), "commercial");
  await waitFor(() =>
    expect(asked("POST /api/properties/7/keywords/intent")[0]?.body).toEqual({
      selection: { ids: [1] },
      intent: "COMMERCIAL",
    }),
  );
});

it("keeps homes, and puts keywords on a list with one key, to be looked at again in a month", async () => {
  serve("POST /api/properties/7/keywords/keep", {});
  serve("POST /api/properties/7/reviews/keywords", { phrases: 1 });
  serve("POST /api/properties/7/reviews/month", {});
  serve("POST /api/properties/7/reviews/remove", {});
  const review = { id: 1, list: "Spring", kind: "KEYWORD", phrase: "kayak hire", dueMonth: "2026-10", due: true };
  serve("GET /api/properties/7/reviews", [
    { ...review, volume: 1300, address: "https://t.example/hire" },
    { ...review, id: 2, phrase: "oar", kind: "TAG", dueMonth: "", due: false, volume: null, address: null },
  ]);
  localStorage.clear();
  show(<Aim />, "/p/7/aim?home=with");
  await screen.findByText("sea cave tour");
  fireEvent.click(screen.getAllByRole("checkbox", { name: /^select/i })[0]);
  fireEvent.click(screen.getByRole("button", { name: "Keep their items" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/keywords/keep")[0]?.body).toEqual({ filter: { home: "with" }, except: [] }),
  );
  const grid = screen.getByRole("grid");
  fireEvent.keyDown(grid, { key: "ArrowDown" });
  fireEvent.keyDown(grid, { key: "l" });
  const dialog = within(await screen.findByRole("dialog"));
  await userEvent.type(dialog.getByPlaceholderText("Spring tours"), "Spring");
  await userEvent.selectOptions(dialog.getByLabelText("Look again in"), dialog.getAllByRole("option")[2]);
  fireEvent.click(dialog.getByRole("button", { name: "Put on the list" }));
  await waitFor(() => expect(asked("POST /api/properties/7/reviews/keywords")).toHaveLength(1));
  expect(await screen.findByText(/1 phrase is on “Spring”, to look at again in/)).toBeTruthy();
  fireEvent.keyDown(grid, { key: "ArrowDown" });
  fireEvent.keyDown(grid, { key: "l" });
  await waitFor(() => expect(asked("POST /api/properties/7/reviews/keywords")).toHaveLength(2));
  expect(asked("POST /api/properties/7/reviews/keywords")[1].body).toMatchObject({
    list: "Spring",
    selection: { ids: [2] },
  });
  fireEvent.click(screen.getByRole("link", { name: /Review lists/ }));
  const due = within(await screen.findByLabelText("Review lists"));
  expect((await due.findByRole("link", { name: "kayak hire" })).getAttribute("href")).toBe("/p/7/aim?q=kayak+hire");
  expect(due.getByRole("heading", { name: "Due" })).toBeTruthy();
  await userEvent.selectOptions(due.getByLabelText("Month for kayak hire"), "");
  await waitFor(() => expect(asked("POST /api/properties/7/reviews/month")[0]?.body).toEqual({ ids: [1], month: "" }));
  fireEvent.click(due.getByRole("button", { name: "Remove oar from the list" }));
  await waitFor(() => expect(asked("POST /api/properties/7/reviews/remove")[0]?.body).toEqual([2]));
});

const BETTER = {
  id: 5,
  itemId: 1,
  address: "https://tarrin.example/page-1",
  query: "seals saltmeadow",
  aimed: "seal tour saltmeadow",
  shown: 5283,
  position: 15.1,
  positionBefore: 24.2,
  volume: 11080,
  reachable: 7.6,
  rateNow: 0.013,
  rateReachable: 0.029,
  relevance: 0.85,
  gain: 152.6,
  youngUntil: "",
  reason: "5,283 impressions a month",
};

it("opens a better keyword to the parts of its worth, and aims at it", async () => {
  serve("GET /api/properties/7/better", { total: 1, rows: [BETTER] });
  serve("POST /api/properties/7/better/accept", { items: [1], keywords: [9] });
  serve("POST /api/properties/7/better/refuse", {});
  show(<Aim />, "/p/7/aim?side=better");
  await userEvent.click(await screen.findByText("seals saltmeadow"));
  const panel = within(screen.getByLabelText("Better keyword seals saltmeadow"));
  expect(panel.getByText(/24.2 in the thirteen weeks before/)).toBeTruthy();
  expect(panel.getByText(/2.9% at position/).textContent).toContain("1.3% at 15.1");
  const choose = () => fireEvent.click(screen.getAllByRole("checkbox", { name: /^select/i })[1]);
  choose();
  fireEvent.click(screen.getByRole("button", { name: "Do not propose again" }));
  await waitFor(() => expect(asked("POST /api/properties/7/better/refuse")[0]?.body).toEqual([5]));
  choose();
  fireEvent.click(screen.getByRole("button", { name: "Aim at these and rewrite" }));
  await waitFor(() => expect(place).toBe("/p/7/rewrite?tool=recipe&target=9"));
  expect(asked("POST /api/properties/7/better/accept")[0].body).toEqual([5]);
});

const point = (position: number) => ({
  position,
  rate: 0.3 / position,
  low: 0.2 / position,
  high: 0.4 / position,
  impressions: 1000,
  clicks: 300 / position,
  thin: position > 15,
});

it("draws the click curve with what it was made of, says what is odd in the demand, and fetches more", async () => {
  serve("GET /api/properties/7/aim", {
    from: "2026-08-24",
    to: "2026-11-22",
    months: 3,
    rows: 37928,
    elsewhere: 413,
    withoutPosition: 0,
    tooManyClicks: 0,
    missingDays: 7,
    curve: "steps through this property’s own clicks",
    points: Array.from({ length: 20 }, (_, i) => point(i + 1)),
    shared: [
      {
        query: "sunrise paddle gull cove",
        shown: 210.4,
        items: [
          { itemId: 1, address: "https://t.example/a", share: 0.7, position: 4.1, clicks: 9.2, instead: "" },
          { itemId: 2, address: "https://t.example/b", share: 0.3, position: 12.3, clicks: 0.4, instead: "sea cave" },
        ],
      },
    ],
    pages: [
      {
        topic: "birds",
        slug: "birds-thrift-bay",
        title: "Birds Thrift Bay – Tarrin Bay Kayaks",
        description: "Birds Thrift Bay at Tarrin Bay Kayaks.",
        section: "/tours/",
        volume: 900,
        keywords: [{ phrase: "birds thrift bay", volume: 900 }],
      },
    ],
  });
  serve("GET /api/properties/7/demand/source", { address: "https://reports.example/demand" });
  serve("POST /api/properties/7/demand/fetch", { jobId: 3 });
  serve("GET /api/properties/7/demand/schedule", { schedule: null });
  serve("PUT /api/properties/7/demand/schedule", { schedule: null });
  show(<Aim />, "/p/7/aim?side=curve");
  expect(await screen.findByText("37,928 rows of demand, the last of 22 Nov 2026")).toBeTruthy();
  expect(screen.getByText(/413 rows for addresses that are not items/)).toBeTruthy();
  expect(screen.getByText(/7 days of them are in no row/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText("Position"), { target: { value: "15" } });
  expect(screen.getByText("Position 16: 1.9%")).toBeTruthy();
  expect(screen.getByText(/neighbouring positions/)).toBeTruthy();
  await screen.findByDisplayValue("https://reports.example/demand");
  fireEvent.click(screen.getByRole("button", { name: "Fetch" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/demand/fetch")[0]?.body).toEqual({
      address: "https://reports.example/demand",
    }),
  );
  fireEvent.change(screen.getByLabelText("Fetch it again"), { target: { value: "WEEK" } });
  await waitFor(() => expect(asked("PUT /api/properties/7/demand/schedule")[0]?.body).toMatchObject({ every: "WEEK" }));
  fireEvent.click(screen.getByRole("link", { name: "Pages to add" }));
  expect(await screen.findByText("Birds Thrift Bay – Tarrin Bay Kayaks")).toBeTruthy();
  expect(screen.getByText("/tours/birds-thrift-bay/")).toBeTruthy();
  fireEvent.click(screen.getByRole("link", { name: "Competing for a query" }));
  expect(await screen.findByText("1 query with several items")).toBeTruthy();
  expect(screen.getByText("/a").textContent).toContain("keep");
  expect(screen.getByText("sea cave")).toBeTruthy();
});

it("narrows the keywords by what there is to choose, and keeps that in the address", async () => {
  show(<Aim />, "/p/7/aim");
  await screen.findByText("sea cave tour");
  await userEvent.selectOptions(screen.getByLabelText("Intent"), await screen.findByText("transactional (2)"));
  expect(place).toBe("/p/7/aim?intent=transactional");
  await userEvent.selectOptions(screen.getByLabelText("Place"), "Gull Cove");
  fireEvent.click(screen.getByRole("button", { name: "More …" }));
  await userEvent.selectOptions(await screen.findByLabelText("Season"), "yes");
  await userEvent.selectOptions(screen.getByLabelText("Position now"), "second-page");
  await waitFor(() =>
    expect(asked(KEYWORDS).slice(-1)[0].query).toMatchObject({
      intent: "transactional",
      place: "Gull Cove",
      season: "yes",
      rank: "second-page",
    }),
  );
  await userEvent.selectOptions(screen.getByLabelText("Country"), "Ireland");
  expect(screen.getByRole("button", { name: "broad searches" })).toBeTruthy();
  expect(place).toContain("&country=ie");
  await userEvent.selectOptions(screen.getByLabelText("Country"), "");
  await userEvent.selectOptions(screen.getByLabelText("Intent"), "");
  expect(place).toBe("/p/7/aim?place=Gull+Cove&season=yes&rank=second-page");
  expect(screen.getByRole("button", { name: "More (2) …" })).toBeTruthy();
});

it("says what will stand in an empty place, and what went wrong", async () => {
  serve("GET /api/properties/7/better", { total: 0, rows: [] });
  const first = show(<Aim />, "/p/7/aim?side=better");
  expect(await screen.findByText(/No better keywords yet/)).toBeTruthy();
  fireEvent.click(screen.getByLabelText("Too early"));
  expect(await screen.findByText("No new item has begun to rank for a better query.")).toBeTruthy();
  expect(place).toBe("/p/7/aim?side=better&young=true");
  first.unmount();
  serve("GET /api/properties/7/aim", new Problem(500, "The demand cannot be read."));
  serve("GET /api/properties/7/demand/source", { address: "" });
  show(<Aim />, "/p/7/aim?side=curve");
  expect(await screen.findByText("The demand cannot be read.")).toBeTruthy();
});
