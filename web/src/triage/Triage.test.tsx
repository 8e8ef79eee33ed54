import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { finding, item, place, show, standing } from "../../testing/view";
import type { Cause } from "../api/client";
import { Triage } from "./Triage";

const cause = (says: string, changes: Partial<Cause>): Cause => ({
  field: "title",
  check: "too-long",
  shared: "",
  section: "",
  trait: "",
  items: 12,
  links: 300,
  stake: { clicks: 0, low: 0, high: 0 },
  weight: 312,
  says,
  fix: "cut",
  parts: [],
  ...changes,
});

const ENDING = cause("80 titles end in the same 8 letters.", {
  check: "common-ending",
  shared: " | Tarrin",
  section: "/tours/",
  fix: "remove-ending",
});
const HEADINGS = cause("5 items have no H1.", { field: "h1", check: "missing", weight: 20, fix: "by-hand" });

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/jobs", []);
  serve("GET /api/properties/7/sections", []);
  serve("GET /api/properties/7/causes", [ENDING, HEADINGS]);
  serve("GET /api/properties/7/costs", { items: 0, from: "", to: "", months: 0, season: 1, appeal: [], reach: null });
  serve("GET /api/properties/7/findings/spots", [
    { section: "/tours/", field: "title", findings: 90, clicks: 81.2 },
    { section: "/hire/", field: "title", findings: 4, clicks: 3.4 },
    { section: "/hire/", field: "h1", findings: 2, clicks: 0 },
  ]);
  serve("GET /api/properties/7/findings/checks", [
    { field: "title", check: "too-long", label: "title too long", name: "too long", items: 12 },
    { field: "h1", check: "missing", label: "H1 missing", name: "missing", items: 5 },
    { field: "indexing", check: "not-indexable", label: "indexing not indexable", name: "not indexable", items: 3 },
  ]);
});

it("lists causes by weight, each with the action that fixes it ready at the desk", async () => {
  show(<Triage />, "/p/7/triage");
  const row = (await screen.findByText(ENDING.says)).closest("li") as HTMLElement;
  expect(screen.getByText(/60 of 100 indexable items have findings/)).toBeTruthy();
  fireEvent.click(within(row).getByRole("button", { name: "Remove the ending" }));
  expect(place).toBe(
    "/p/7/rewrite?field=title&check=common-ending&shared=+%7C+Tarrin&section=%2Ftours%2F&tool=remove-ending&on=title",
  );
});

it("shows texts that Rewrite has no tool for without choosing one", async () => {
  serve("GET /api/properties/7/causes", [
    cause("9 titles are the same in two languages.", { check: "untranslated", fix: "translate" }),
  ]);
  show(<Triage />, "/p/7/triage");
  fireEvent.click(await screen.findByRole("button", { name: "Preview" }));
  expect(place).toBe("/p/7/rewrite?field=title&check=untranslated");
});

it("says what is at stake in clicks a month, how sure that is, and what that rests on", async () => {
  serve("GET /api/properties/7/causes", [
    cause("48 titles are cut off on result pages.", { stake: { clicks: 1234.4, low: 310, high: 2100 } }),
    HEADINGS,
  ]);
  serve("GET /api/properties/7/costs", {
    items: 412,
    from: "2026-08-28",
    to: "2026-11-26",
    months: 3,
    season: 0.71,
    reach: {
      pairs: 1860,
      wordsHigher: { share: 0.21, low: 0.14, high: 0.27, source: "own" },
      leadsHigher: { share: 0.05, low: -0.02, high: 0.11, source: "both" },
    },
    appeal: [
      {
        field: "description",
        check: "missing",
        label: "description missing",
        effect: -0.198,
        low: -0.288,
        high: -0.117,
        lostShare: 0.18,
        lostLow: 0.11,
        lostHigh: 0.25,
        items: 53,
        source: "own",
        learnt: { lostShare: 0.15, lostLow: -0.02, lostHigh: 0.29, items: 31 },
      },
    ],
  });
  show(<Triage />, "/p/7/triage");
  expect(await screen.findByText("1,234 clicks a month (310 to 2,100)")).toBeTruthy();
  expect(screen.getByText("no clicks at stake")).toBeTruthy();
  fireEvent.click(await screen.findByRole("link", { name: "What faults cost" }));
  const row = (await screen.findByText("description missing")).closest("tr") as HTMLElement;
  expect(row.textContent).toBe("description missing5318%11% to 25%15% (−2.0% to 29%), 31 itemsthis property’s figures");
  const words = screen.getByText(/all words of the query/).closest("tr") as HTMLElement;
  expect(words.textContent).toContain("21%14% to 27%this property’s figures");
  expect(screen.getByText(/1,860 pairs/)).toBeTruthy();
  expect(screen.getByText("−2.0% to 11%")).toBeTruthy();
  expect(screen.getByText(/412 items with demand of 28 Aug 2026 to 26 Nov 2026 \(3.0 months\)/)).toBeTruthy();
  expect(screen.getByText(/average month of the year; these months bring 29% less/)).toBeTruthy();
});

it("says what went wrong with the costs, and leads back", async () => {
  serve("GET /api/properties/7/costs", new Problem(500, "The database is closed."));
  show(<Triage />, "/p/7/triage?view=costs");
  expect(await screen.findByText("The database is closed.")).toBeTruthy();
  expect(screen.getByRole("heading", { name: "What faults cost here" })).toBeTruthy();
  fireEvent.click(screen.getByRole("link", { name: "Causes" }));
  expect(await screen.findByText(ENDING.says)).toBeTruthy();
});

it("shows where the clicks are, and leads to the items there", async () => {
  show(<Triage />, "/p/7/triage");
  const spot = await screen.findByRole("link", { name: /^Title in \/tours\/: 90 findings, 81 clicks a month/ });
  expect(spot.textContent).toBe("81");
  expect(screen.queryByRole("link", { name: /^H1 in \/hire\// })).toBeNull();
  fireEvent.click(spot);
  expect(place).toContain("check=any");
  expect(place).toContain("section=%2Ftours%2F");
});

it("says what became of findings since an earlier sweep, and leads to those that are new", async () => {
  const life = { fresh: 0, back: 0, old: 300, drafted: 4, delivered: 1, fixed: 0 };
  serve("GET /api/properties/7/findings/life", [
    { ...life, sweepId: 9, swept: "2026-11-27T08:00:00Z", moment: 1795766400 },
    { ...life, sweepId: 5, swept: "2026-07-14T12:00:00Z", moment: 1784030400, fresh: 12, old: 288, fixed: 46 },
  ]);
  serve("GET /api/properties/7/items", { total: 0, asOf: 4, revision: 4, mostAtStake: 0, rows: [] });
  serve("GET /api/properties/7/sets", []);
  show(<Triage />, "/p/7/triage");
  const since = (await screen.findByLabelText("Since the sweep of")) as HTMLSelectElement;
  expect(since.value).toBe("5");
  expect(screen.getByText("fixed").textContent).toBe("46 fixed");
  fireEvent.change(since, { target: { value: "9" } });
  expect(screen.getByText("new").textContent).toBe("0 new");
  fireEvent.change(since, { target: { value: "5" } });
  fireEvent.click(screen.getByRole("link", { name: "12 new" }));
  expect(await screen.findByText("new since 14 Jul 2026")).toBeTruthy();
  expect(asked("GET /api/properties/7/items").at(-1)?.query).toMatchObject({ check: "any", life: "new 1784030400" });
});

it("gives a cause another name, sets one aside with the reason, and brings it back", async () => {
  serve("PUT /api/properties/7/causes/note", {});
  serve("GET /api/properties/7/causes/aside", [{ cause: HEADINGS, reason: "Old pages", untilMonth: "2027-03" }]);
  show(<Triage />, "/p/7/triage");
  const choose = async (item: string) => {
    fireEvent.click(await screen.findByRole("button", { name: `More for: ${ENDING.says}` }));
    fireEvent.click(await screen.findByRole("menuitem", { name: item }));
    return within(await screen.findByRole("dialog"));
  };
  const rename = await choose("Rename");
  fireEvent.change(rename.getByLabelText("Name"), { target: { value: "The long ending" } });
  fireEvent.click(rename.getByRole("button", { name: "Rename" }));
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  const aside = await choose("Set aside");
  fireEvent.change(aside.getByLabelText("Why"), { target: { value: "The client wants it" } });
  fireEvent.change(aside.getByLabelText("Until"), { target: { value: "2027-04" } });
  fireEvent.click(aside.getByRole("button", { name: "Set aside" }));
  fireEvent.click(await screen.findByRole("button", { name: "1 cause set aside" }));
  expect(screen.getByText("Old pages (until Mar 2027)")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Bring back" }));
  const of = { field: "title", check: "common-ending", shared: " | Tarrin", section: "/tours/", trait: "" };
  await waitFor(() =>
    expect(asked("PUT /api/properties/7/causes/note").map(({ body }) => body)).toEqual([
      { causes: [of], name: "The long ending" },
      { causes: [of], aside: true, reason: "The client wants it", untilMonth: "2027-04" },
      { causes: [{ field: "h1", check: "missing", shared: "", section: "", trait: "" }], aside: false },
    ]),
  );
});

it("merges causes under a name, shows merged ones with their parts, and takes them apart", async () => {
  serve("PUT /api/properties/7/causes/note", {});
  const merged = cause("Left from the old site", {
    check: "",
    items: 85,
    parts: [ENDING, HEADINGS],
  });
  const missing = cause("9 items have no title.", { check: "missing", weight: 90 });
  serve("GET /api/properties/7/causes", [merged, missing]);
  show(<Triage />, "/p/7/triage");
  fireEvent.click(await screen.findByRole("button", { name: "Show its causes" }));
  const parts = within(screen.getByRole("list", { name: merged.says }));
  expect(parts.getAllByRole("listitem")).toHaveLength(2);
  expect(parts.getByRole("button", { name: "Remove the ending" })).toBeTruthy();

  fireEvent.click(screen.getByRole("button", { name: `More for: ${missing.says}` }));
  fireEvent.click(await screen.findByRole("menuitem", { name: "Merge with others" }));
  const form = within(await screen.findByRole("dialog"));
  expect(form.getByRole("button", { name: "Merge" })).toHaveProperty("disabled", true);
  fireEvent.click(form.getByRole("combobox", { name: "With" }));
  fireEvent.click(await screen.findByRole("option", { name: merged.says }));
  fireEvent.change(form.getByLabelText("Name"), { target: { value: "Titles of the old site" } });
  fireEvent.click(form.getByRole("button", { name: "Merge" }));
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());

  fireEvent.click(screen.getByRole("button", { name: `More for: ${merged.says}` }));
  // The row is gone once it is taken apart; the way back is offered all the same.
  serve("GET /api/properties/7/causes", [ENDING, HEADINGS, missing]);
  fireEvent.click(await screen.findByRole("menuitem", { name: "Take apart" }));
  await waitFor(() => expect(screen.queryByText(merged.says)).toBeNull());
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  const key = ({ field, check, shared, section, trait }: Cause) => ({
    field,
    check,
    shared,
    section,
    trait,
  });
  await waitFor(() =>
    expect(asked("PUT /api/properties/7/causes/note").map(({ body }) => body)).toEqual([
      { causes: [key(missing), key(ENDING), key(HEADINGS)], merged: "Titles of the old site" },
      { causes: [key(ENDING), key(HEADINGS)], merged: "" },
      { causes: [key(ENDING), key(HEADINGS)], merged: merged.says },
    ]),
  );
});

it("puts a cause on a review list, with the filter that shows its items", async () => {
  serve("GET /api/properties/7/reviews", []);
  serve("POST /api/properties/7/reviews/items", {});
  show(<Triage />, "/p/7/triage");
  const menu = await screen.findAllByRole("button", { name: /^More for: / });
  fireEvent.click(menu[0]);
  fireEvent.click(await screen.findByRole("menuitem", { name: "Put on a review list" }));
  const dialog = within(await screen.findByRole("dialog"));
  fireEvent.change(dialog.getByPlaceholderText("Spring tours"), { target: { value: "Titles" } });
  fireEvent.click(dialog.getByRole("button", { name: "Put on the list" }));
  expect(await screen.findByText("This is on “Titles”.")).toBeTruthy();
  const body = asked("POST /api/properties/7/reviews/items")[0].body as { name: string; place: string };
  expect(menu[0].getAttribute("aria-label")).toBe(`More for: ${body.name}`);
  expect(new URLSearchParams(body.place).get("check")).toBeTruthy();
});

it("says what is in place, what it was after each sweep, and leads to the rest", async () => {
  serve("GET /api/properties/7/checklist", {
    indexable: 200,
    sweeps: [
      { swept: "2026-07-01T08:00:00Z", indexable: 180, withFindings: 120, clicks: 90 },
      { swept: "2026-09-03T08:00:00Z", indexable: 200, withFindings: 110, clicks: 80 },
      { swept: "2026-11-02T08:00:00Z", indexable: 200, withFindings: 80, clicks: 50 },
    ],
    checks: [
      { field: "title", check: "missing", label: "missing", items: 8, before: [60, 38, 9] },
      { field: "title", check: "empty", label: "empty", items: 0, before: [0, 0, 0] },
      { field: "title", check: "common-beginning", label: "common beginning", items: 20, before: [10] },
    ],
  });
  serve("GET /api/properties/7/sets", [{ id: 3, name: "Journal", conditions: {}, items: 100, ownStandard: false }]);
  show(<Triage />, "/p/7/triage?view=checklist");
  const row = (await screen.findByText("Missing", { selector: "td" })).closest("tr") as HTMLElement;
  expect(row.textContent).toBe("Missing96%81%8");
  expect(screen.getByRole("columnheader", { name: /^On 3 Sept? 2026$/ })).toBeTruthy();
  expect(within(row).getByRole("img").getAttribute("aria-label")).toContain("67%, 81%, 96%");
  expect(within(row).getByRole("link").getAttribute("href")).toContain("field=title&check=missing");
  expect(screen.getByText(/since 1 Jul(y)? 2026/)).toBeTruthy();
  const young = screen.getByText("Common beginning", { selector: "td" }).closest("tr") as HTMLElement;
  expect(young.textContent, "nothing is said of the sweeps before the check").toBe("Common beginning90%20");
  fireEvent.change(await screen.findByLabelText("Set"), { target: { value: "3" } });
  await waitFor(() => expect(asked("GET /api/properties/7/checklist").at(-1)?.query).toEqual({ set: "3" }));
  const link = within(screen.getByText("Missing", { selector: "td" }).closest("tr") as HTMLElement).getByRole("link");
  expect(link.getAttribute("href")).toContain("field=title&check=missing&set=3");
});

it("asks how the report is wanted, remembers it, and downloads it", async () => {
  const saved: Blob[] = [];
  URL.createObjectURL = (file) => {
    saved.push(file as Blob);
    return "blob:report";
  };
  serve("POST /api/properties/7/report.html", {});
  show(<Triage />, "/p/7/triage");
  fireEvent.click(await screen.findByRole("button", { name: "Report" }));
  const dialog = await screen.findByRole("dialog", { name: "Report for the client" });
  fireEvent.change(within(dialog).getByLabelText("Language"), { target: { value: "de" } });
  fireEvent.click(within(dialog).getByLabelText("What is next"));
  fireEvent.click(within(dialog).getByRole("button", { name: "Download HTML" }));
  await waitFor(() => expect(saved).toHaveLength(1));
  expect(asked("POST /api/properties/7/report.html")[0].body).toEqual({
    language: "de",
    colour: "#6d1d5a",
    sections: ["cost", "found", "examples", "checklist", "done"],
  });
  expect(JSON.parse(localStorage.getItem("lucid report") ?? "").language).toBe("de");
});

it("leads to the desk without a tool where only a person can help", async () => {
  show(<Triage />, "/p/7/triage");
  const row = (await screen.findByText(HEADINGS.says)).closest("li") as HTMLElement;
  fireEvent.click(within(row).getByRole("button", { name: "Preview" }));
  expect(place).toBe("/p/7/rewrite?field=h1&check=missing");
});

it("counts by kind, sets apart what is not indexable, and gives both tables away", async () => {
  show(<Triage />, "/p/7/triage");
  const ledger = (await screen.findByText("By check")).closest("aside") as HTMLElement;
  expect(within(ledger).getByText("too long").getAttribute("href")).toContain("field=title&check=too-long");
  expect(within(ledger).getByText(/set apart and not counted/)).toBeTruthy();
  const files = screen.getAllByRole("link", { name: "CSV" }).map((link) => link.getAttribute("href"));
  expect(files).toEqual(["/api/properties/7/causes.csv", "/api/properties/7/findings.csv"]);
});

it("shows the items behind a cause with their evidence", async () => {
  const withFindings = item(5, {
    findings: [finding("title", "too-long", { evidence: "42 px over 580 on a desktop" })],
  });
  serve("GET /api/properties/7/items", { total: 1, asOf: 4, mostAtStake: 0, rows: [withFindings] });
  show(<Triage />, "/p/7/triage?field=title&check=too-long&section=%2Ftours%2F");
  expect(await screen.findByText("42 px over 580 on a desktop")).toBeTruthy();
  const { query } = asked("GET /api/properties/7/items")[0];
  expect(query).toMatchObject({ field: "title", check: "too-long", section: "/tours/" });
  expect(screen.getByRole("link", { name: "Open in Rewrite" }).getAttribute("href")).toContain(
    "/p/7/rewrite?field=title&check=too-long",
  );
});

it("puts the findings of a check on a review list, as they are filtered", async () => {
  serve("GET /api/properties/7/sets", []);
  serve("GET /api/properties/7/items", { total: 3, asOf: 4, revision: 4, mostAtStake: 0, rows: [] });
  serve("GET /api/properties/7/reviews", []);
  serve("POST /api/properties/7/reviews/items", {});
  show(<Triage />, "/p/7/triage?field=title&check=too-long&section=%2Ftours%2F");
  fireEvent.click(await screen.findByRole("button", { name: "Put on a list" }));
  const dialog = within(await screen.findByRole("dialog"));
  fireEvent.change(dialog.getByPlaceholderText("Spring tours"), { target: { value: "Tours" } });
  fireEvent.click(dialog.getByRole("button", { name: "Put on the list" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/reviews/items")[0]?.body).toMatchObject({
      name: "title too long, /tours/",
      place: "field=title&check=too-long&section=%2Ftours%2F",
    }),
  );
});

it("lets all findings of a check stand, and takes that back by its moment", async () => {
  serve("GET /api/properties/7/sets", []);
  serve("GET /api/properties/7/items", { total: 1_204, asOf: 4, revision: 4, mostAtStake: 0, rows: [] });
  serve("POST /api/properties/7/exemptions", { items: 1_204, at: "2026-11-27T10:00:00.000001Z" });
  serve("POST /api/properties/7/exemptions/end", { items: 1_204 });
  show(<Triage />, "/p/7/triage?field=title&check=too-long&section=%2Ftours%2F");
  const open = await screen.findByRole("button", { name: "Let them stand" });
  await waitFor(() => expect((open as HTMLButtonElement).disabled).toBe(false));
  fireEvent.click(open);
  const form = within(await screen.findByRole("dialog", { name: "Let 1,204 findings stand" }));
  const save = form.getByRole("button", { name: "Let it stand" }) as HTMLButtonElement;
  expect(save.disabled, "a reason is needed").toBe(true);
  fireEvent.change(form.getByLabelText("Why it stands"), { target: { value: "The client wants them long" } });
  fireEvent.click(save);
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/exemptions/end")[0]?.body).toEqual({
      at: "2026-11-27T10:00:00.000001Z",
      field: "title",
      check: "too-long",
    }),
  );
  expect(asked("POST /api/properties/7/exemptions")[0].body).toEqual({
    selection: { filter: { field: "title", check: "too-long", section: "/tours/" } },
    field: "title",
    check: "too-long",
    reason: "The client wants them long",
  });
});

it("narrows to a set and to when findings came, and leads to where sets are made", async () => {
  serve("GET /api/properties/7/sets", [{ id: 3, name: "Journal", conditions: {}, items: 100, ownStandard: false }]);
  serve("GET /api/properties/7/items", { total: 0, asOf: 4, revision: 4, mostAtStake: 0, rows: [] });
  show(<Triage />, "/p/7/triage?check=any&life=back+1784030400");
  expect(await screen.findByText("back since 14 Jul 2026")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "More …" }));
  const set = await screen.findByLabelText("Set");
  await within(set).findByText("Journal (100)");
  fireEvent.change(set, { target: { value: "3" } });
  await waitFor(() =>
    expect(asked("GET /api/properties/7/items").at(-1)?.query).toMatchObject({ set: "3", life: "back 1784030400" }),
  );
  fireEvent.click(screen.getByRole("button", { name: "Clear filters" }));
  await waitFor(() => expect(place).not.toContain("set=3"));
  expect(place).not.toContain("life=");
});

it("says so where the life of findings or the causes set aside cannot be read", async () => {
  serve("GET /api/properties/7/findings/life", new Problem(500, "The database is closed."));
  serve("GET /api/properties/7/causes/aside", new Problem(500, "The disk is full."));
  show(<Triage />, "/p/7/triage");
  expect(await screen.findByText("What became of findings: The database is closed.")).toBeTruthy();
  expect(await screen.findByText("Causes set aside: The disk is full.")).toBeTruthy();
});

it("says in words that nothing is wrong, that nothing is there yet, or what went wrong", async () => {
  serve("GET /api/properties/7/causes", []);
  const { unmount } = show(<Triage />, "/p/7/triage");
  expect(await screen.findByText(/Nothing is wrong with the indexable items/)).toBeTruthy();
  unmount();
  serve("GET /api/properties/7/standing", standing({ items: 0 }));
  const empty = show(<Triage />, "/p/7/triage");
  expect(await screen.findByText(/Nothing gathered yet/)).toBeTruthy();
  empty.unmount();
  serve("GET /api/properties/7/causes", new Problem(500, "The database is closed."));
  show(<Triage />, "/p/7/triage");
  expect(await screen.findByText("The database is closed.")).toBeTruthy();
});
