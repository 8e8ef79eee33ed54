import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { type Asked, asked, Problem, serve } from "../../testing/server";
import { cell, item, place, show, standing } from "../../testing/view";
import type { Cell } from "../api/client";
import { Release } from "./Release";

const draft = (id: number, title: string, state: Cell["state"]) =>
  item(id, { title: cell(`Old ${id}`, { draft: title, state }) });

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/jobs", []);
  serve("GET /api/properties/7/sections", []);
  serve("GET /api/properties/7/findings/checks", []);
  serve("GET /api/properties/7/handovers", [
    {
      handover: {
        id: 4,
        propertyId: 7,
        format: "csv",
        items: 2,
        texts: 1,
        created: "2026-10-02T08:00:00Z",
        name: "",
        reason: "",
      },
      live: { live: 1, "changed-back": 1 },
    },
  ]);
  serve("GET /api/properties/7/handover-formats", ["csv", "xlsx", "html", "nginx"]);
  serve("GET /api/properties/7/pushes", []);
  serve("GET /api/properties/7/content-system", { settings: null });
  serve("GET /api/properties/7/review-sheets", []);
  serve("GET /api/properties/7/handover-objections", [
    {
      mistake: "SAME_TEXT",
      says: "two items would get the same text",
      texts: 2,
      examples: ["https://tarrin.example/oars/", "https://tarrin.example/decks/"],
    },
  ]);
  serve("GET /api/properties/7/items", {
    total: 2,
    asOf: 4,
    revision: 4,
    rows: [draft(1, "New one", "approved"), draft(2, "New two", "sent-back")],
  });
});

const choose = async (n: number) => {
  await screen.findByText("New one");
  fireEvent.click(screen.getAllByRole("checkbox", { name: /^select/i })[n]);
};

it("shows drafts beside what they replace, with the fields drafted only", async () => {
  show(<Release />, "/p/7/release");
  expect(await screen.findByText("New one")).toBeTruthy();
  expect(screen.getByText("Old 1")).toBeTruthy();
  expect(screen.getByText("sent back", { selector: "span" })).toBeTruthy();
  expect(screen.queryByText("description before")).toBeNull();
  expect(asked("GET /api/properties/7/items")[0].query).toMatchObject({ state: "any" });
});

it("holds a thousand drafts against what they replace word by word, and as results", async () => {
  const change = {
    words: [
      { fate: "SAME", text: "Old " },
      { fate: "WENT", text: "1" },
      { fate: "CAME", text: "one" },
    ],
    captured: null,
  } as Cell["change"];
  serve("GET /api/properties/7/items", {
    total: 1,
    asOf: 4,
    revision: 4,
    rows: [
      item(1, {
        title: cell("Old 1", { draft: "Old one", state: "drafted", change }),
        description: cell("By the day"),
      }),
    ],
  });
  show(<Release />, "/p/7/release");
  fireEvent.click(await screen.findByText("Word by word"));
  expect((await screen.findByText("one", { selector: "ins" })).previousSibling?.textContent).toBe("1");
  expect(place).toContain("look=words");
  fireEvent.click(screen.getByText("As results"));
  await screen.findByRole("columnheader", { name: /Result before/ });
  const [before, after] = screen.getAllByText("By the day").map((text) => text.closest("[data-when]")?.textContent);
  expect(before).toContain("Old 1");
  expect(after).toContain("Old one");
  expect(asked("GET /api/properties/7/items")[0].query).toMatchObject({ changes: "true" });
});

it("approves, sends back, and takes drafts away", async () => {
  serve("POST /api/properties/7/decisions", { texts: 1, left: 0 });
  serve("POST /api/properties/7/cells", {});
  serve("GET /api/properties/7/standing", standing({ draftedFields: ["title", "h1"] }));
  show(<Release />, "/p/7/release");
  await choose(1);
  fireEvent.click(screen.getByRole("button", { name: "Approve" }));
  expect(await screen.findByText("1 draft approved.")).toBeTruthy();
  await choose(0);
  fireEvent.click(screen.getByRole("button", { name: "Send back" }));
  await waitFor(() => expect(asked("POST /api/properties/7/decisions")).toHaveLength(2));
  const [one, all] = asked("POST /api/properties/7/decisions").map((call) => call.body);
  expect(one).toEqual({ selection: { ids: [1] }, fields: [], state: "approved", asOf: 4 });
  expect(all).toEqual({ selection: { filter: { state: "any" }, except: [] }, fields: [], state: "sent-back", asOf: 4 });
  await choose(2);
  fireEvent.click(screen.getByRole("button", { name: "Discard drafts" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/cells")[0]?.body).toEqual([
      { itemId: 2, field: "title" },
      { itemId: 2, field: "h1" },
    ]),
  );
});

it("hands approved drafts over in the formats that go with the property", async () => {
  serve("POST /api/properties/7/handovers", { id: 5 });
  const { unmount } = show(<Release />, "/p/7/release");
  const panel = within(await screen.findByRole("complementary", { name: "Deliver" }));
  expect(panel.getByText("2 approved drafts to deliver")).toBeTruthy();
  expect(await panel.findByText("1 text of 2 items, CSV")).toBeTruthy();
  expect(panel.getByRole("button", { name: "1 of 2 live, 1 changed back" })).toBeTruthy();
  expect(
    within(panel.getByLabelText("Deliver as"))
      .getAllByRole("option")
      .map((each) => each.textContent),
  ).toEqual([
    "CSV: a row a text, before and after",
    "XLSX: the same as a workbook",
    "HTML head: title, description, robots, Open Graph",
    "Redirects of new slugs: nginx",
    "Push to the content system",
  ]);
  expect(panel.getByRole("region", { name: "Before you deliver" }).textContent).toContain(
    "2 texts: two items would get the same text/oars/, /decks/",
  );
  fireEvent.change(panel.getByLabelText("Deliver as"), { target: { value: "html" } });
  fireEvent.change(panel.getByLabelText("Name"), { target: { value: " Autumn " } });
  fireEvent.click(panel.getByRole("button", { name: "Deliver" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/handovers")[0]?.body).toEqual({ format: "html", name: "Autumn" }),
  );
  unmount();
  serve("GET /api/properties/7/standing", standing({ approved: 0 }, { kind: "listings" }));
  serve("GET /api/properties/7/handover-formats", ["listings", "csv"]);
  show(<Release />, "/p/7/release");
  const none = within(await screen.findByRole("complementary", { name: "Deliver" }));
  expect(none.getByText("Nothing approved yet")).toBeTruthy();
  expect((none.getByRole("button", { name: "Deliver" }) as HTMLButtonElement).disabled).toBe(true);
  expect(none.queryByRole("region", { name: "Before you deliver" }), "nothing is approved").toBeNull();
  expect(none.queryByText("Sitemap"), "listings stand in none").toBeNull();
  await waitFor(() => expect(none.getAllByRole("option")[0].getAttribute("value")).toBe("listings"));
});

it("shows what was changed since it was looked at, and decides only when told to", async () => {
  serve("POST /api/properties/7/decisions", (call: Asked) =>
    (call.body as { asOf?: number }).asOf === undefined
      ? { texts: 1, left: 1 }
      : new Problem(409, "1 text was changed since you looked; nothing was done.", [
          { itemId: 1, address: "L1", field: "title", seen: null, now: "Newer one", wanted: null },
        ]),
  );
  show(<Release />, "/p/7/release");
  await choose(1);
  fireEvent.click(screen.getByRole("button", { name: "Approve" }));
  const dialog = within(await screen.findByRole("dialog"));
  expect(dialog.getByText("Newer one")).toBeTruthy();
  fireEvent.click(dialog.getByRole("button", { name: "Decide about them as they are now" }));
  expect(await screen.findByText(/1 draft approved. 1 draft stayed/)).toBeTruthy();
});
