import { screen } from "@testing-library/react";
import { expect, it } from "vitest";
import { asked, serve } from "../../testing/server";
import { cell, item, show } from "../../testing/view";
import { DraftNotes } from "./DraftNotes";

const NOTES = [
  { field: "title", note: "Say which month", noted: "2026-11-20T10:00:00Z" },
  { field: "description", note: "Said long ago", noted: "2026-10-01T10:00:00Z" },
];

it("shows what was said of a draft that was sent back, and nothing of others", async () => {
  serve("GET /api/items/4/notes", NOTES);
  const row = item(4, {
    title: cell("Old", { draft: "New", state: "sent-back" }),
    description: cell("Old", { draft: "New", state: "drafted" }),
  });
  show(<DraftNotes propertyId={7} item={row} />);
  expect(await screen.findByText(/“Say which month” 20 Nov 2026/)).toBeDefined();
  expect(screen.queryByText(/Said long ago/)).toBeNull();
});

it("asks for nothing where no draft was sent back", () => {
  show(<DraftNotes propertyId={7} item={item(4, { title: cell("Old", { draft: "New", state: "approved" }) })} />);
  expect(asked("GET /api/items/4/notes")).toHaveLength(0);
});
