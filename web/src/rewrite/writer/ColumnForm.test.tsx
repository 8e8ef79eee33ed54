import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it, vi } from "vitest";
import { asked, Problem, serve } from "../../../testing/server";
import { show } from "../../../testing/view";
import type { WriterColumn } from "../../api/client";
import { ColumnForm } from "./ColumnForm";
import { type ColumnDraft, startingColumns } from "./startingColumns";

const COLUMNS = "/api/properties/7/writer/columns";
const done = vi.fn();
const other = { id: 4, name: "Intent" } as WriterColumn;

const form = (column: ColumnDraft, listings = false) =>
  show(<ColumnForm propertyId={7} column={column} others={[other]} listings={listings} onDone={done} />);

beforeEach(() => {
  done.mockClear();
  serve(`POST ${COLUMNS}`, {});
});

it("saves what is asked, of what, and after which column", async () => {
  const [title] = startingColumns(false);
  form(title);
  await userEvent.clear(screen.getByLabelText("Name"));
  await userEvent.type(screen.getByLabelText("Name"), "Short title");
  await userEvent.selectOptions(screen.getByLabelText("Makes"), "description");
  await userEvent.click(screen.getByLabelText("price"));
  await userEvent.click(screen.getByLabelText("brand"));
  await userEvent.click(screen.getByLabelText("Intent"));
  await userEvent.click(screen.getByRole("button", { name: "Save column" }));
  await waitFor(() => expect(done).toHaveBeenCalledOnce());
  expect(asked(`POST ${COLUMNS}`)[0].body).toEqual({
    ...title,
    name: "Short title",
    makes: "description",
    inputs: [...title.inputs.filter((input) => input !== "PRICE"), "BRAND"],
    after: ["Intent"],
  });
});

it("stays open, as it was filled in, where it is refused", async () => {
  serve(`POST ${COLUMNS}`, new Problem(422, "these columns need each other: Title, Intent"));
  form(startingColumns(false)[0]);
  await userEvent.click(screen.getByRole("button", { name: "Save column" }));
  await waitFor(() => expect(asked(`POST ${COLUMNS}`)).toHaveLength(1));
  expect(done).not.toHaveBeenCalled();
  expect((screen.getByLabelText("Name") as HTMLInputElement).value).toBe("Title");
});

it("deletes a column that is there, and offers tags to listings only", async () => {
  serve(`DELETE ${COLUMNS}/9`, {});
  const makes = () => [...(screen.getByLabelText("Makes") as HTMLSelectElement).options].map((option) => option.value);
  form({ ...startingColumns(true)[2], id: 9 }, true);
  expect(makes()).toContain("tags");
  await userEvent.click(screen.getByRole("button", { name: "Delete with its answers" }));
  await waitFor(() => expect(asked(`DELETE ${COLUMNS}/9`)).toHaveLength(1));
  await waitFor(() => expect(done).toHaveBeenCalledOnce());
});
