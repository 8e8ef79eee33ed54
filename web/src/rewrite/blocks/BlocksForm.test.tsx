import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { asked, serve } from "../../../testing/server";
import { show } from "../../../testing/view";
import type { TextBlock } from "../../api/client";
import { BlocksForm } from "./BlocksForm";

const PATH = "/api/properties/7/blocks";

const block = (id: number, name: string, place: number | null): TextBlock => ({
  id,
  name,
  kind: "ABOUT",
  language: "",
  text: `${name} in words`,
  place,
});

const CHANNEL = {
  text: { description: "Boats", keywords: "kayak", maxChars: 1000, maxKeywordChars: 500 },
  whole: "Boats\n\nPostage in words",
  chars: 23,
  keywordChars: 5,
};

function begin() {
  serve(`GET ${PATH}`, {
    blocks: [block(4, "Postage", 0), block(5, "The shed", 1), block(6, "Film", null)],
    values: ["client", "price"],
  });
  serve(`GET ${PATH}/channel`, CHANNEL);
  const versions: string[] = [];
  show(<BlocksForm propertyId={7} onBlocks={(version) => versions.push(version)} />);
  return versions;
}

it("puts blocks in order and takes them in or out", async () => {
  serve(`PUT ${PATH}/order`, {});
  const versions = begin();
  await userEvent.click(await screen.findByRole("button", { name: "The shed up" }));
  expect(versions, "nothing is previewed until the server has the order").toContain("");
  await userEvent.click(screen.getByRole("checkbox", { name: "Film in descriptions" }));
  await userEvent.click(screen.getByRole("checkbox", { name: "Postage in descriptions" }));
  await waitFor(() =>
    expect(asked(`PUT ${PATH}/order`).map(({ body }) => body)).toEqual([
      { ids: [5, 4] },
      { ids: [5, 4, 6] },
      { ids: [5, 6] },
    ]),
  );
  await waitFor(() => expect(Number(versions.at(-1)), "the preview is made anew with the blocks").toBeGreaterThan(1));
});

it("writes a block with a value where the cursor is", async () => {
  serve(`POST ${PATH}`, {});
  begin();
  await userEvent.click(await screen.findByRole("button", { name: /^Postage ?Postage in words/ }));
  const form = screen.getByRole("form", { name: "Postage" });
  const text = within(form).getByLabelText("Text");
  await userEvent.clear(text);
  await userEvent.type(text, "From ");
  await userEvent.click(within(form).getByRole("button", { name: "{price}" }));
  await userEvent.click(within(form).getByRole("button", { name: "Save the block" }));
  await waitFor(() => expect(asked(`POST ${PATH}`)[0]?.body).toMatchObject({ id: 4, text: "From {price}", place: 0 }));
  expect(await screen.findByRole("button", { name: "Add a block" })).toBeDefined();
});

it("says which links do not work", async () => {
  serve(`POST ${PATH}/links`, [
    { address: "https://tarrin.example/", block: "Film", works: true, says: "answers 200" },
    { address: "https://tarrin.example/gone", block: "Film", works: false, says: "answers 404" },
  ]);
  begin();
  await userEvent.click(await screen.findByRole("button", { name: "Check the links" }));
  expect(await screen.findByText("1 link of 2 does not work:")).toBeDefined();
  expect(screen.getByText("https://tarrin.example/gone (Film) answers 404")).toBeDefined();
});

it("keeps what the channel says of itself", async () => {
  serve(`PUT ${PATH}/channel`, CHANNEL);
  begin();
  await userEvent.click(await screen.findByText("What the shop or channel says of itself"));
  await userEvent.type(screen.getByLabelText("Description"), " of the bay");
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() =>
    expect(asked(`PUT ${PATH}/channel`)[0]?.body).toEqual({ ...CHANNEL.text, description: "Boats of the bay" }),
  );
});
