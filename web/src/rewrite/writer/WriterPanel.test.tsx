import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../../testing/server";
import { show } from "../../../testing/view";
import type { WriterCell, WriterColumn } from "../../api/client";
import { WriterPanel } from "./WriterPanel";

const SETTINGS = {
  address: "https://texts.example/generate",
  model: "quill-2",
  key: null,
  hasKey: true,
  privateAllowed: false,
  parallel: 4,
  inputPrice: 2,
  outputPrice: 8,
  currency: "GBP",
};

const column = (id: number, name: string, changes: Partial<WriterColumn> = {}): WriterColumn => ({
  id,
  name,
  makes: null,
  words: "Say it.",
  inputs: ["TITLE"],
  after: [],
  maxChars: 0,
  done: 0,
  failed: 0,
  waiting: 0,
  cost: 0,
  ...changes,
});

const COLUMNS = [column(1, "Intent"), column(2, "Title", { makes: "title", after: ["Intent"], done: 20, failed: 3 })];
const WRITER = "/api/properties/7/writer";
const drafted: string[] = [];
const narrowed: (string | undefined)[] = [];

function panel(columns: WriterColumn[], inHand: (WriterCell | undefined)[] = []) {
  return (
    <WriterPanel
      propertyId={7}
      listings={false}
      n={40}
      selection={{ filter: { section: "/tours/" } }}
      columns={columns}
      inHand={inHand}
      among={undefined}
      onAmong={(among) => narrowed.push(among)}
      onDraft={(name, field) => drafted.push(`${name} ${field}`)}
      onClose={() => undefined}
    />
  );
}

beforeEach(() => {
  serve("GET /api/writer/service", { settings: SETTINGS });
  serve(`GET ${WRITER}/unfinished`, { jobId: 0, waiting: 0, spent: 0, ceiling: null, underWay: false, says: "" });
  serve(`POST ${WRITER}/estimate`, { cells: 80, tokensIn: 30_000, tokensOut: 2_000, cost: 0.076, currency: "GBP" });
  serve(`POST ${WRITER}/runs`, { jobId: 5 });
});

it("asks for the service first, and tries it", async () => {
  serve("GET /api/writer/service", { settings: null });
  serve("PUT /api/writer/service", { settings: SETTINGS });
  serve("POST /api/writer/service/trial", new Problem(400, "the text-generation service refuses the key (401)"));
  show(panel([]));
  const form = within(await screen.findByRole("form", { name: "Text-generation service" }));
  await userEvent.type(form.getByLabelText("Address"), SETTINGS.address);
  await userEvent.type(form.getByLabelText("Model"), "quill-2");
  await userEvent.type(form.getByLabelText("Key"), "secret");
  await userEvent.click(form.getByRole("button", { name: "Save and try it" }));
  await waitFor(() => expect(asked("POST /api/writer/service/trial")).toHaveLength(1));
  expect(asked("PUT /api/writer/service")[0].body).toMatchObject({ model: "quill-2", key: "secret", parallel: 4 });
  // What went wrong leaves the form as it was filled in.
  expect((form.getByLabelText("Address") as HTMLInputElement).value).toBe(SETTINGS.address);
});

it("runs the ticked columns up to a ceiling", async () => {
  show(panel(COLUMNS));
  await screen.findByText("80 answers");
  await userEvent.click(screen.getByLabelText("Ask for Intent"));
  await waitFor(() => expect(asked(`POST ${WRITER}/estimate`).at(-1)?.body).toMatchObject({ columnIds: [2] }));
  await userEvent.type(screen.getByLabelText("Spend at most"), "1.5");
  await userEvent.click(await screen.findByRole("button", { name: "Write for 40 items" }));
  await waitFor(() => expect(asked(`POST ${WRITER}/runs`)).toHaveLength(1));
  expect(asked(`POST ${WRITER}/runs`)[0].body).toEqual({
    selection: { filter: { section: "/tours/" } },
    columnIds: [2],
    ceiling: 1.5,
  });
});

it("goes on with what waits, or gives it up", async () => {
  serve(`GET ${WRITER}/unfinished`, {
    jobId: 5,
    waiting: 12,
    spent: 0.5,
    ceiling: 0.5,
    underWay: false,
    says: "The service refuses the key.",
  });
  serve("POST /api/writer/runs/5/resume", {});
  show(panel(COLUMNS));
  await screen.findByText(/0.50 GBP spent of at most 0.50 GBP/);
  screen.getByText("The service refuses the key.");
  const most = screen.getByLabelText("Spend at most");
  await userEvent.clear(most);
  await userEvent.type(most, "2.25");
  await userEvent.click(screen.getByRole("button", { name: "Resume" }));
  await waitFor(() => expect(asked("POST /api/writer/runs/5/resume")[0]?.body).toEqual({ ceiling: 2.25 }));
});

it("narrows the desk to what failed, and previews what can be used", async () => {
  serve(`POST ${WRITER}/columns/2/pick`, { among: "writer 2 failed", items: 3 });
  show(panel(COLUMNS));
  await userEvent.click(await screen.findByRole("button", { name: "3 failed" }));
  await waitFor(() => expect(narrowed).toEqual(["writer 2 failed"]));
  expect(asked(`POST ${WRITER}/columns/2/pick`)[0].query).toEqual({ state: "failed" });
  await userEvent.click(screen.getByRole("button", { name: "Preview drafts" }));
  expect(drafted).toEqual(["Title title"]);
});

it("marks what is not on the page, and lets a person use it anyway", async () => {
  serve(`POST ${WRITER}/cells/use`, {});
  const cell: WriterCell = {
    columnId: 2,
    itemId: 9,
    state: "failed",
    answer: "Kayak hire from £9",
    fit: null,
    problems: [{ words: "£9", says: "“£9” is not on the page" }],
    asked: 2,
    retried: 0,
    cost: 0.01,
  };
  show(panel(COLUMNS, [undefined, cell]));
  const mark = await screen.findByText("£9");
  expect(mark.tagName).toBe("MARK");
  await userEvent.click(screen.getByRole("button", { name: "Use it anyway" }));
  await waitFor(() => expect(asked(`POST ${WRITER}/cells/use`)[0]?.body).toEqual({ columnId: 2, itemId: 9 }));
});
