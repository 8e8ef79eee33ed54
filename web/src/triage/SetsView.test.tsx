import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { show, standing } from "../../testing/view";
import { Triage } from "./Triage";

const NONE = { addresses: null, sections: null, tag: null, price: null, within: null };
const JOURNAL = {
  id: 3,
  name: "Journal",
  conditions: { ...NONE, addresses: ["/journal/*"] },
  items: 100,
  ownStandard: true,
};
const GIFTS = { id: 4, name: "Gifts", conditions: { ...NONE, tag: "gift" }, items: 12, ownStandard: false };

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/jobs", []);
  serve("GET /api/properties/7/sections", [{ section: "/journal/", items: 100, indexable: 90 }]);
  serve("GET /api/properties/7/findings/checks", []);
  serve("GET /api/properties/7/sets", [JOURNAL, GIFTS]);
  serve("POST /api/properties/7/sets/preview", { items: 7, examples: ["https://tarrin.example/shop/oar"] });
});

it("takes sets over from a file, and offers them as one", async () => {
  serve("POST /api/properties/7/sets/file", { sets: 2 });
  show(<Triage />, "/p/7/triage?view=sets");
  const link = await screen.findByRole("link", { name: "Save JSON" });
  expect(link.getAttribute("href")).toBe("/api/properties/7/sets.json");
  const chooser = document.querySelector("input[type=file]") as HTMLInputElement;
  const sets = [{ name: "Oars", conditions: { tag: "oar" } }];
  fireEvent.change(chooser, { target: { files: [new File([JSON.stringify(sets)], "sets.json")] } });
  expect(await screen.findByText("2 sets added.")).toBeTruthy();
  expect(asked("POST /api/properties/7/sets/file")[0].body).toEqual(sets);
  fireEvent.change(chooser, { target: { files: [new File(["oars"], "oars.txt")] } });
  expect(await screen.findByText("Expected sets as JSON; oars.txt is none.")).toBeTruthy();
});

it("counts who would belong to a set while it is made, and makes it", async () => {
  serve("POST /api/properties/7/sets", { ...GIFTS, id: 9, name: "Young posts", items: 7 });
  show(<Triage />, "/p/7/triage?view=sets");
  fireEvent.click(await screen.findByRole("button", { name: "New set" }));
  const form = within(await screen.findByRole("form", { name: "A new set" }));
  fireEvent.change(form.getByLabelText("Name"), { target: { value: "Young posts" } });
  fireEvent.change(form.getByLabelText("Address"), { target: { value: "/journal/*\n\n/news/*" } });
  fireEvent.change(form.getByLabelText("… at most"), { target: { value: "90" } });
  fireEvent.change(form.getByLabelText("Within the set"), { target: { value: "Gifts" } });
  const conditions = { addresses: ["/journal/*", "/news/*"], ageDays: { max: 90 }, within: "Gifts" };
  await waitFor(() => expect(asked("POST /api/properties/7/sets/preview").at(-1)?.body).toEqual(conditions));
  expect(await form.findByText("7 items")).toBeTruthy();
  expect(form.getByText("/shop/oar")).toBeTruthy();
  fireEvent.click(form.getByRole("button", { name: "Save set" }));
  await screen.findByText("The set “Young posts” has 7 items.");
  expect(asked("POST /api/properties/7/sets")[0].body).toEqual({ name: "Young posts", conditions });
});

it("says what is wrong with conditions, changes the order, takes a set away and brings it back", async () => {
  serve("POST /api/properties/7/sets/preview", new Problem(422, "sets within each other: Journal → Gifts → Journal"));
  serve("PUT /api/properties/7/sets/order", {});
  serve("DELETE /api/sets/3", {});
  serve("POST /api/sets/3/restore", {});
  show(<Triage />, "/p/7/triage?view=sets");
  fireEvent.click(await screen.findByRole("button", { name: "Journal" }));
  expect((await screen.findByRole("alert")).textContent).toContain("Sets within each other");
  fireEvent.click(screen.getByRole("button", { name: "Gifts: up" }));
  await waitFor(() => expect(asked("PUT /api/properties/7/sets/order")[0]?.body).toEqual([4, 3]));
  fireEvent.click(screen.getByRole("button", { name: "Remove" }));
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() => expect(asked("POST /api/sets/3/restore")).toHaveLength(1));
});

it("shows what a set is held to, and goes back to the property’s standard", async () => {
  const set = { title: { maxChars: 58 }, off: [], generic: [] };
  const ready = { ...set, title: { maxChars: 65 } };
  serve("GET /api/sets/3/standard", { set, ready, own: true, checks: [] });
  serve("DELETE /api/sets/3/standard", { now: { set: ready, ready, own: false, checks: [] }, before: set, jobId: 1 });
  serve("GET /api/portfolio", []);
  show(<Triage />, "/p/7/triage?view=standard&set=3");
  expect(await screen.findByText(/What this set says itself is marked/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Back to the property’s" }));
  await waitFor(() => expect(asked("DELETE /api/sets/3/standard")).toHaveLength(1));
});
