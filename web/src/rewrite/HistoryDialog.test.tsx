import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { expect, it, vi } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { show } from "../../testing/view";
import type { Batch, ChangesView } from "../api/client";
import { HistoryDialog } from "./HistoryDialog";
import type { Undo } from "./useUndo";

const batch = (id: number, state = "applied") =>
  ({
    id,
    propertyId: 7,
    title: `Batch ${id}`,
    state,
    items: 3,
    created: "2026-10-02T08:00:00Z",
    undone: null,
  }) as Batch;

const text = (id: number) => ({
  fieldId: id,
  itemId: id,
  address: `https://tarrin.example/page-${id}`,
  field: "h1" as const,
  before: "",
  after: `Boats ${id}`,
});

const view = (total: number, texts: ChangesView["texts"]): ChangesView => ({ total, texts });

function dialog(list: Batch[]) {
  const turn = vi.fn();
  show(
    <HistoryDialog propertyId={7} undo={{ list, busy: false, turn } as unknown as Undo} onClose={() => undefined} />,
  );
  return turn;
}

it("shows what a batch changed, and undoes or redoes it", async () => {
  serve("GET /api/batches/3/changes", view(700, [text(1), text(2)]));
  serve("GET /api/batches/2/changes", view(1, [text(5)]));
  const turn = dialog([batch(3), batch(2, "undone")]);
  expect(screen.getByText("Choose a batch to see what it changed.")).toBeTruthy();
  fireEvent.click(screen.getByText("Batch 3"));
  const changed = within(await screen.findByRole("region", { name: "What was changed" }));
  expect(await changed.findByText("Boats 2")).toBeTruthy();
  expect(changed.getByText("700 texts touched; 2 that differ are shown, the file has all")).toBeTruthy();
  expect(changed.getByText("CSV").getAttribute("href")).toBe("/api/batches/3/changes.csv");
  fireEvent.click(changed.getByRole("button", { name: "Undo this batch" }));
  expect(turn).toHaveBeenCalledWith(batch(3));
  fireEvent.click(screen.getByText("Batch 2"));
  await changed.findByText("Boats 5");
  fireEvent.click(changed.getByRole("button", { name: "Redo this batch" }));
  expect(turn).toHaveBeenLastCalledWith(batch(2, "undone"));
});

it("compares with an earlier moment, of which undone batches are none", async () => {
  serve("GET /api/batches/4/changes", view(0, []));
  serve("GET /api/properties/7/changes", view(1, [text(9)]));
  dialog([batch(5), batch(4), batch(3, "undone"), batch(2)]);
  fireEvent.click(screen.getByText("Batch 4"));
  const choice = await screen.findByLabelText<HTMLSelectElement>("Compared with");
  expect([...choice.options].map((each) => each.value)).toEqual(["own", "2", "0"]);
  fireEvent.change(choice, { target: { value: "2" } });
  expect(await screen.findByText("Boats 9")).toBeTruthy();
  expect(asked("GET /api/properties/7/changes")[0].query).toEqual({ from: "2", to: "4" });
  expect(screen.getByText("CSV").getAttribute("href")).toBe("/api/properties/7/changes.csv?from=2&to=4");
});

it("says why nothing can be shown", async () => {
  serve("GET /api/batches/3/changes", new Problem(404, "there is no batch 3"));
  dialog([batch(3)]);
  fireEvent.click(screen.getByText("Batch 3"));
  await waitFor(() => expect(screen.getByRole("alert").textContent).toContain("There is no batch 3."));
});
