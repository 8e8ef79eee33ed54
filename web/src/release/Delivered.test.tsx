import { fireEvent, screen, waitFor } from "@testing-library/react";
import { beforeEach, expect, it, vi } from "vitest";
import { asked, serve } from "../../testing/server";
import { show, standing } from "../../testing/view";
import type { PushView } from "../api/client";
import { Delivered } from "./Delivered";

const release = (id: number, name: string, format = "csv") => ({
  id,
  propertyId: 7,
  format,
  items: 20,
  texts: 30,
  created: "2026-11-20T08:00:00Z",
  name,
  reason: "",
});

const push: PushView = {
  release: release(5, "Tours"),
  jobId: null,
  underWay: false,
  texts: { pushed: 8, "in-place": 1, waiting: 21 },
  items: {},
  says: "",
};

const open = (kind: "website" | "listings", onOpen = vi.fn()) => {
  show(<Delivered property={standing({}, { kind }).property} pushes={[push]} onOpen={onOpen} />, "/p/7/release");
  return onOpen;
};

beforeEach(() => {
  serve("GET /api/properties/7/live-schedule", { schedule: null });
  serve("GET /api/properties/7/handovers", [
    { handover: release(5, "Tours"), live: {} },
    { handover: release(4, "", "html"), live: { live: 12, "not-yet": 3 } },
  ]);
});

it("lists what was delivered, by push and by file, with what is live of it", async () => {
  const onOpen = open("website");
  expect(await screen.findByText("Tours")).toBeTruthy();
  expect(screen.getByText(/30 texts of 20 items, 9 pushed/)).toBeTruthy();
  expect(screen.getByText("30 texts of 20 items, HTML")).toBeTruthy();
  expect(screen.getByRole("button", { name: "Not looked for yet" })).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "12 of 15 live" }));
  expect(await screen.findByRole("dialog")).toBeTruthy();
  fireEvent.click(screen.getByText("Open"));
  expect(onOpen).toHaveBeenCalledWith(5);
  expect(screen.getAllByText("Sitemap")).toHaveLength(2);
});

it("has no sitemap of listings, and nothing at all before anything is delivered", async () => {
  open("listings");
  expect(await screen.findByText("Tours")).toBeTruthy();
  expect(screen.queryByText("Sitemap")).toBeNull();
});

it("sweeps the pages of recent releases again by itself, every day or week", async () => {
  open("website");
  const choice = await screen.findByLabelText("Check what is live");
  serve("PUT /api/properties/7/live-schedule", { schedule: null });
  serve("GET /api/properties/7/live-schedule", { schedule: { every: "DAY", nextDay: "2026-11-29" } });
  fireEvent.change(choice, { target: { value: "DAY" } });
  expect(await screen.findByText(/next on 29 Nov 2026/)).toBeTruthy();
  expect(asked("PUT /api/properties/7/live-schedule")[0].body).toMatchObject({ every: "DAY" });
  serve("DELETE /api/properties/7/live-schedule", { schedule: null });
  serve("GET /api/properties/7/live-schedule", { schedule: null });
  fireEvent.change(choice, { target: { value: "" } });
  await waitFor(() => expect(screen.queryByText(/next on 29 Nov 2026/)).toBeNull());
});

it("gives several sitemaps where one cannot hold all pages", async () => {
  serve("GET /api/properties/7/handovers", [{ handover: { ...release(5, "All"), items: 50_001 }, live: {} }]);
  open("website");
  expect((await screen.findByRole("link", { name: "Sitemaps" })).getAttribute("href")).toBe(
    "/api/handovers/5/sitemaps.zip",
  );
});
