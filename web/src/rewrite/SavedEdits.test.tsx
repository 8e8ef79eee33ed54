import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { expect, it } from "vitest";
import { asked, serve } from "../../testing/server";
import { show } from "../../testing/view";
import type { EditSpec, SavedEdit } from "../api/client";
import { SavedEdits } from "./SavedEdits";

const EDITS = "/api/properties/7/edits";
const SPEC = { tool: "after", field: "title", with: " | Tarrin" } as EditSpec;

const saved = (id: number, name: string, changes: Partial<SavedEdit> = {}) =>
  ({ id, name, spec: { ...SPEC, with: ` | ${name}` }, ran: true, newItems: 0, ...changes }) as SavedEdit;

const opened: (string | undefined)[] = [];
const fresh: number[][] = [];

function Edits() {
  const [edit, setEdit] = useState<SavedEdit>();
  return (
    <SavedEdits
      propertyId={7}
      spec={SPEC}
      opened={edit}
      onOpen={(next) => {
        opened.push(next?.name);
        setEdit(next);
      }}
      onNew={(ids) => fresh.push(ids)}
    />
  );
}

it("saves an edit under a name", async () => {
  serve(`GET ${EDITS}`, []);
  serve(`POST ${EDITS}`, {});
  show(<Edits />);
  await userEvent.type(await screen.findByLabelText("Save this edit as"), "Our brand{Enter}");
  await waitFor(() => expect(asked(`POST ${EDITS}`)[0]?.body).toEqual({ name: "Our brand", spec: SPEC }));
});

it("opens those of the same tool and field, and leaves what is new since", async () => {
  const tags = { tool: "add-tags", field: "tags" } as EditSpec;
  serve(`GET ${EDITS}`, [
    saved(1, "Brand", { newItems: 12 }),
    saved(2, "Region"),
    saved(3, "Tags", { spec: tags as never }),
  ]);
  serve(`GET ${EDITS}/1/new`, [41, 42]);
  show(<Edits />);
  const choice = await screen.findByLabelText<HTMLSelectElement>("Saved edits", { selector: "select" });
  expect([...choice.options].map((each) => each.text)).toEqual(["Open a saved edit …", "Brand", "Region"]);
  await userEvent.selectOptions(choice, "Region");
  expect(screen.getByText("No item is new since it was run last.")).toBeTruthy();
  await userEvent.selectOptions(choice, "Brand");
  await userEvent.click(screen.getByRole("button", { name: "Only 12 new items" }));
  await waitFor(() => expect(fresh).toEqual([[41, 42]]));
  expect(opened).toEqual(["Region", "Brand"]);
});
