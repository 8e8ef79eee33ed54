import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { item, show, standing } from "../../testing/view";
import type { Sweep } from "../api/client";
import { Gather } from "./Gather";

const sweep = (id: number, changes: Partial<Sweep>): Sweep => ({
  id,
  propertyId: 7,
  jobId: id + 100,
  kind: "crawl",
  ofItems: true,
  source: "https://tarrin.example/",
  state: "done",
  started: "2026-10-01T08:00:00Z",
  ended: "2026-10-01T08:01:00Z",
  ...changes,
});

const RUNNING = {
  id: 101,
  propertyId: 7,
  kind: "crawl",
  title: "Sweep of https://tarrin.example/",
  state: "running",
  done: 812,
  total: 2650,
  perSecond: 40,
  secondsLeft: 46,
  note: "",
  started: "2026-11-25T08:00:00Z",
  ended: null,
};

const PLAN = {
  token: "abc",
  fileName: "shop.csv",
  encoding: "UTF-8",
  delimiter: "semicolon",
  sheets: [],
  sheet: null,
  kind: "LISTINGS",
  kinds: ["LISTINGS", "DEMAND", "RESULTS"],
  meanings: ["ID", "ADDRESS", "TITLE", "PUBLISHED"],
  dates: "DAY_FIRST",
  remembered: false,
  above: ["Shop of 3 November"],
  notes: [],
  questions: [
    {
      meaning: "TITLE",
      column: 1,
      sentence: "No titles were found; is it “what” (such as “Ash paddle”)?",
      agreed: false,
    },
    { meaning: "TAGS", column: -1, sentence: "No tags were found.", agreed: false },
  ],
  columns: [
    { name: "no", meaning: "ID", sure: 1, samples: ["A1", "A2"] },
    { name: "what", meaning: "UNUSED", sure: 0, samples: ["Ash paddle", "Oak paddle"] },
  ],
};

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/jobs", []);
  serve("GET /api/properties/7/sweeps", []);
  serve("GET /api/properties/7/schedule", { schedule: null });
  serve("GET /api/properties/7/login", { user: "", header: "" });
  serve("GET /api/properties/7/sections", [{ section: "/tours/", items: 2 }]);
  serve("GET /api/properties/7/findings/checks", []);
  serve("GET /api/properties/7/items", { total: 2, asOf: 4, rows: [item(1), item(2)] });
});

it("starts a sweep with what was set, after the property was changed where it had to be", async () => {
  serve("PUT /api/properties/7", {});
  serve("POST /api/properties/7/sweeps", sweep(1, { state: "running" }));
  show(<Gather />);
  const address = await screen.findByLabelText("Address to start from");
  fireEvent.change(address, { target: { value: "https://tarrin.example/en/" } });
  fireEvent.change(screen.getByLabelText("Pages, at most"), { target: { value: "500" } });
  fireEvent.click(screen.getByLabelText("Run their scripts first"));
  fireEvent.change(screen.getByLabelText("Crawler's name"), { target: { value: "Tarrin-Audit" } });
  expect(screen.getByText("after running their scripts; as Tarrin-Audit")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Start the sweep" }));
  await waitFor(() => expect(asked("POST /api/properties/7/sweeps")).toHaveLength(1));
  expect(asked("PUT /api/properties/7")[0].body).toMatchObject({
    address: "https://tarrin.example/en/",
    kind: "website",
  });
  expect(asked("POST /api/properties/7/sweeps")[0].body).toMatchObject({
    maxPages: 500,
    maxDepth: 25,
    connections: 2,
    delayMs: 100,
    reach: "LINKS",
    include: [],
    scripts: true,
    keepsSource: false,
    agent: "Tarrin-Audit",
  });
});

it("tries a scope on known addresses, and starts with it", async () => {
  serve("POST /api/properties/7/sweeps", sweep(1, { state: "running" }));
  serve("POST /api/properties/7/scope", {
    inside: 41,
    outside: 324,
    samples: [
      { address: "https://tarrin.example/tours/?x=1", normal: "https://tarrin.example/tours/", objection: null },
      {
        address: "https://tarrin.example/hire/",
        normal: "https://tarrin.example/hire/",
        objection: "does not fit /tours/",
      },
    ],
  });
  show(<Gather />);
  fireEvent.click(await screen.findByText("Scope"));
  fireEvent.change(screen.getByLabelText("Only addresses that fit"), { target: { value: "/tours/\n /lessons/ \n" } });
  fireEvent.change(screen.getByLabelText("Parameters to remove"), { target: { value: "ref, sort" } });
  fireEvent.click(screen.getByLabelText("Subdomains belong to it"));
  expect(screen.getByText(/within \/tours\/, \/lessons\/; subdomains too; without ref, sort/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Preview on known addresses" }));
  expect((await screen.findByText(/addresses it would look at/)).textContent).toBe(
    "Of 365 addresses it would look at 41 and leave out 324.",
  );
  expect(screen.getByText("does not fit /tours/")).toBeTruthy();
  fireEvent.change(screen.getByLabelText("Addresses come from"), { target: { value: "LIST" } });
  expect(screen.queryByText(/addresses it would look at/), "what was tried is not what is set").toBeNull();
  fireEvent.change(screen.getByLabelText("The list, one address a line"), {
    target: { value: "https://tarrin.example/tours/" },
  });
  fireEvent.click(screen.getByRole("button", { name: "Start the sweep" }));
  await waitFor(() => expect(asked("POST /api/properties/7/sweeps")).toHaveLength(1));
  expect(asked("POST /api/properties/7/sweeps")[0].body).toMatchObject({
    reach: "LIST",
    addresses: ["https://tarrin.example/tours/"],
    include: ["/tours/", "/lessons/"],
    withoutParameters: ["ref", "sort"],
    subdomains: true,
  });
});

it("begins no second sweep while one is under way", async () => {
  serve("GET /api/properties/7/jobs", [RUNNING]);
  show(<Gather />);
  const start = (await screen.findByRole("button", { name: "A sweep is under way" })) as HTMLButtonElement;
  expect(start.disabled).toBe(true);
});

it("goes on with the last sweep where it was stopped, and only with that one", async () => {
  serve("GET /api/properties/7/sweeps", [sweep(2, { state: "stopped" }), sweep(1, { state: "stopped" })]);
  serve("POST /api/sweeps/2/resume", sweep(2, { state: "running" }));
  show(<Gather />);
  const buttons = await screen.findAllByRole("button", { name: "Resume" });
  expect(buttons).toHaveLength(1);
  fireEvent.click(buttons[0]);
  await waitFor(() => expect(asked("POST /api/sweeps/2/resume")).toHaveLength(1));
});

it("reports what became of every address, and lists those of one kind", async () => {
  serve("GET /api/properties/7/sweeps", [sweep(2, {})]);
  serve("GET /api/sweeps/2/outcomes", [
    { outcome: "captured", status: 200, count: 365, example: "https://tarrin.example/", detail: "" },
    {
      outcome: "blocked",
      status: 0,
      count: 1,
      example: "https://tarrin.example/private/",
      detail: "robots.txt does not allow it",
    },
  ]);
  serve("GET /api/sweeps/2/visits", [
    {
      id: 1,
      address: "https://tarrin.example/private/",
      detail: "robots.txt does not allow it",
      foundOn: "https://tarrin.example/",
    },
  ]);
  show(<Gather />);
  fireEvent.click(await screen.findByRole("button", { name: /https:\/\/tarrin.example/ }));
  fireEvent.click(await screen.findByRole("button", { name: "blocked by robots.txt" }));
  expect(await screen.findByText(/found on https:\/\/tarrin.example\//)).toBeTruthy();
  expect(asked("GET /api/sweeps/2/visits")[0].query).toMatchObject({ outcome: "blocked" });
  expect(screen.getByRole("link", { name: "Every address as CSV" }).getAttribute("href")).toBe(
    "/api/sweeps/2/visits.csv",
  );
});

it("imports a file once its columns were put right", async () => {
  serve("GET /api/properties/7/standing", standing({}, { kind: "listings" }));
  serve("POST /api/properties/7/imports", PLAN);
  serve("POST /api/imports/abc/apply", sweep(3, { kind: "import" }));
  serve("POST /api/imports/abc/trial", {
    added: 2,
    changed: 0,
    unchanged: 7,
    gone: 1,
    unreadable: 1,
    examples: [{ line: 3, reason: "there is no title" }],
    leftOut: [{ line: 9, reason: "a total: “Total”" }],
  });
  const { container } = show(<Gather />);
  await screen.findByRole("button", { name: "Choose a file" });
  const input = container.querySelector("input[type=file]") as HTMLInputElement;
  await userEvent.upload(input, new File(["no;what\nA1;Ash paddle\n"], "shop.csv", { type: "text/csv" }));
  expect(await screen.findByText(/Read as UTF-8, cells separated by semicolon/)).toBeTruthy();
  expect(screen.getByText(/Left out above the table: Shop of 3 November/)).toBeTruthy();
  expect(screen.getByText("Oak paddle")).toBeTruthy();
  const go = screen.getByRole("button", { name: "Import" }) as HTMLButtonElement;
  expect(go.disabled, "all titles would be empty").toBe(true);
  serve("POST /api/imports/abc/questions", [PLAN.questions[1]]);
  fireEvent.click(screen.getByRole("button", { name: "Use “what”" }));
  expect((screen.getByLabelText("What what holds") as HTMLSelectElement).value).toBe("TITLE");
  await waitFor(() => expect(screen.queryByText(/No titles were found/)).toBeNull());
  fireEvent.click(screen.getByRole("checkbox", { name: "Leave all tags empty" }));
  expect(go.disabled).toBe(false);
  fireEvent.click(screen.getByRole("button", { name: "Test the import" }));
  const trial = await screen.findByText("line 3: there is no title");
  expect(trial.closest("[role=status]")?.textContent).toContain(
    "2 new0 changed7 unchanged1 not in it any more1 cannot",
  );
  expect(screen.getByText("line 9 is left out: a total: “Total”")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Import" }));
  await waitFor(() =>
    expect(asked("POST /api/imports/abc/apply")[0]?.body).toEqual({
      meanings: ["ID", "TITLE"],
      dates: "DAY_FIRST",
      leaveEmpty: ["TAGS"],
    }),
  );
  await waitFor(() => expect(screen.queryByText("Oak paddle")).toBeNull());
});

it("takes pasted rows in, asks for the order of day and month, and reads them as another kind", async () => {
  serve("GET /api/properties/7/standing", standing({}, { kind: "videos" }));
  serve("POST /api/properties/7/imports/text", {
    ...PLAN,
    fileName: "pasted rows",
    dates: null,
    questions: [],
    columns: [
      { name: "title", meaning: "TITLE", sure: 1, samples: ["Rolling"] },
      { name: "date", meaning: "PUBLISHED", sure: 1, samples: ["03/04/2026"] },
    ],
  });
  serve("GET /api/imports/abc", { ...PLAN, kind: "DEMAND", meanings: ["QUERY", "IMPRESSIONS"] });
  show(<Gather />);
  fireEvent.click(await screen.findByRole("button", { name: "Paste rows" }));
  fireEvent.change(await screen.findByLabelText("Rows"), { target: { value: "title\tdate\nRolling\t03/04/2026" } });
  fireEvent.click(screen.getByRole("button", { name: "Preview" }));
  const go = (await screen.findByRole("button", { name: "Import" })) as HTMLButtonElement;
  expect(go.disabled, "nobody knows which is the day").toBe(true);
  fireEvent.change(screen.getByLabelText("Dates such as 03/04/2026"), { target: { value: "MONTH_FIRST" } });
  expect(go.disabled).toBe(false);
  fireEvent.change(screen.getByLabelText("Rows are"), { target: { value: "DEMAND" } });
  await waitFor(() => expect(asked("GET /api/imports/abc")[0]?.query).toEqual({ kind: "DEMAND" }));
});

it("keeps a login without showing its secrets again", async () => {
  serve("GET /api/properties/7/login", { user: "paddler", header: "" });
  serve("PUT /api/properties/7/login", { user: "paddler", header: "X-Staging" });
  show(<Gather />);
  fireEvent.click(await screen.findByText("as paddler"));
  expect((screen.getByLabelText("Password") as HTMLInputElement).value).toBe("");
  fireEvent.change(screen.getByLabelText("Header of your own"), { target: { value: "X-Staging" } });
  fireEvent.change(screen.getByLabelText("Its value"), { target: { value: "7" } });
  fireEvent.click(screen.getByRole("button", { name: "Keep this login" }));
  await waitFor(() => expect(asked("PUT /api/properties/7/login")).toHaveLength(1));
  expect(asked("PUT /api/properties/7/login")[0].body).toEqual({
    user: "paddler",
    password: "",
    header: "X-Staging",
    value: "7",
  });
  await waitFor(() => expect((screen.getByLabelText("Its value") as HTMLInputElement).value).toBe(""));
});

it("plans sweeps, and says what is planned", async () => {
  serve("PUT /api/properties/7/schedule", { schedule: null });
  show(<Gather />);
  fireEvent.change(await screen.findByLabelText("How often"), { target: { value: "MONTH" } });
  fireEvent.change(screen.getByLabelText("From"), { target: { value: "2026-12-01" } });
  serve("GET /api/properties/7/schedule", { schedule: { every: "MONTH", nextDay: "2026-12-01" } });
  fireEvent.click(screen.getByRole("button", { name: "Sweep it by itself" }));
  expect(await screen.findByText(/Swept every month, next on 1 Dec 2026/)).toBeTruthy();
  expect(asked("PUT /api/properties/7/schedule")[0].body).toEqual({ every: "MONTH", nextDay: "2026-12-01" });
});

it("fetches a feed as a job and shows how it was understood when that has ended", async () => {
  serve("GET /api/properties/7/standing", standing({}, { kind: "listings", address: "https://shop.example/list" }));
  const job = { ...RUNNING, id: 9, kind: "feed" };
  serve("POST /api/properties/7/imports/feed", { token: "abc", jobId: 9 });
  serve("GET /api/properties/7/jobs", [{ ...job, state: "failed", note: "page 3 of the feed answers 404" }]);
  const { unmount } = show(<Gather />);
  fireEvent.click(await screen.findByRole("button", { name: "Fetch" }));
  expect((await screen.findByRole("alert")).textContent).toBe("page 3 of the feed answers 404");
  unmount();
  serve("GET /api/properties/7/jobs", [{ ...job, state: "done" }]);
  serve("GET /api/imports/abc", PLAN);
  show(<Gather />);
  fireEvent.click(await screen.findByRole("button", { name: "Fetch" }));
  expect(await screen.findByRole("dialog", { name: "shop.csv" })).toBeTruthy();
});

it("takes the last import back, and no other", async () => {
  serve("GET /api/properties/7/sweeps", [sweep(4, { kind: "import" }), sweep(3, { kind: "import" })]);
  serve("POST /api/sweeps/4/take-back", sweep(4, { kind: "import", state: "taken-back" }));
  show(<Gather />);
  const buttons = await screen.findAllByRole("button", { name: "Undo import" });
  expect(buttons).toHaveLength(1);
  fireEvent.click(buttons[0]);
  await waitFor(() => expect(asked("POST /api/sweeps/4/take-back")).toHaveLength(1));
});

it("keeps the file dialog closed and says why where a file is no table", async () => {
  serve("GET /api/properties/7/standing", standing({}, { kind: "listings" }));
  serve("POST /api/properties/7/imports", new Problem(422, "The file is empty."));
  const { container } = show(<Gather />);
  await screen.findByRole("button", { name: "Choose a file" });
  const input = container.querySelector("input[type=file]") as HTMLInputElement;
  await userEvent.upload(input, new File([""], "empty.csv", { type: "text/csv" }));
  expect(await screen.findByText("The file is empty.")).toBeTruthy();
});

it("narrows the table by what is chosen, in words that can be taken back", async () => {
  show(<Gather />, "/p/7/gather?q=kayak&shared=+%7C+Tarrin");
  await screen.findByText("Title of page 1");
  fireEvent.change(screen.getByLabelText("Section"), { target: { value: "/tours/" } });
  await waitFor(() =>
    expect(asked("GET /api/properties/7/items").slice(-1)[0].query).toMatchObject({ section: "/tours/", q: "kayak" }),
  );
  expect(screen.getByRole("link", { name: "CSV" }).getAttribute("href")).toContain("section=%2Ftours%2F");
  fireEvent.click(screen.getByRole("button", { name: "No longer: shares “| Tarrin”" }));
  fireEvent.click(screen.getByRole("button", { name: "Clear filters" }));
  await waitFor(() => expect(asked("GET /api/properties/7/items").slice(-1)[0].query).not.toHaveProperty("q"));
});
