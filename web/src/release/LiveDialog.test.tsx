import { fireEvent, screen, waitFor } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { asked, serve } from "../../testing/server";
import { show, standing } from "../../testing/view";
import type { HandoverView } from "../api/client";
import { LiveDialog } from "./LiveDialog";

const view = (live: Record<string, number>): HandoverView => ({
  handover: {
    id: 4,
    propertyId: 7,
    format: "csv",
    items: 3,
    texts: 3,
    created: "2026-11-02T08:00:00Z",
    name: "Tours",
    reason: "",
  },
  live,
  heldBack: 0,
});

const text = {
  itemId: 11,
  address: "https://tarrin.example/tours/",
  field: "title",
  before: "Tours | Tarrin Bay Kayaks",
  after: "Guided tours",
  now: "Tours by the guides",
  since: "2026-11-20T08:00:00Z",
};

const open = (live: Record<string, number>, kind: "website" | "listings" = "website") =>
  show(
    <LiveDialog property={standing({}, { kind }).property} view={view(live)} onClose={() => undefined} />,
    "/p/7/release",
  );

beforeEach(() => {
  serve("GET /api/handovers/4/live", [text]);
  serve("POST /api/handovers/4/live", { jobId: 5 });
});

it("shows first what is not as it was delivered, with what is there", async () => {
  open({ live: 2, "changed-back": 1 });
  expect(await screen.findByText("Tours by the guides")).toBeTruthy();
  expect(asked("GET /api/handovers/4/live")[0].query).toEqual({ state: "changed-back" });
  expect(screen.getByText("Guided tours")).toBeTruthy();
  fireEvent.click(screen.getByRole("tab", { name: "2 live" }));
  await waitFor(() => expect(asked("GET /api/handovers/4/live").at(-1)?.query).toEqual({ state: "live" }));
  expect(screen.queryByText("Tours by the guides")).toBeNull();
});

it("has the pages swept again", async () => {
  open({});
  expect(await screen.findByText("No sweep has looked for these texts yet.")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Sweep these pages again" }));
  await waitFor(() => expect(asked("POST /api/handovers/4/live")).toHaveLength(1));
  expect(asked("GET /api/handovers/4/live")).toHaveLength(0);
});

it("says how listings are looked at again", async () => {
  open({}, "listings");
  expect(await screen.findByText(/Import the listings or videos once more/)).toBeTruthy();
  expect(screen.queryByRole("button", { name: "Sweep these pages again" })).toBeNull();
});
