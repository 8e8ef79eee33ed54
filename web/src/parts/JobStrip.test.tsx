import { fireEvent, screen, waitFor } from "@testing-library/react";
import { expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { show } from "../../testing/view";
import type { Job } from "../api/client";
import { JobStrip } from "./JobStrip";
import { tellWithUndo } from "./tell";

const job = (id: number, changes: Partial<Job>): Job => ({
  id,
  propertyId: 7,
  kind: "crawl",
  title: `Job ${id}`,
  state: "running",
  done: 0,
  total: 0,
  note: "",
  started: "2026-11-25T08:00:00Z",
  ended: null,
  perSecond: 0,
  secondsLeft: null,
  ...changes,
});

const JOBS = "GET /api/properties/7/jobs";

it("tells how far work is, how fast and how much longer, and stops it", async () => {
  serve(JOBS, [
    job(1, { done: 812, total: 2650, perSecond: 40.3, secondsLeft: 46 }),
    job(2, { state: "done", done: 5, total: 5 }),
  ]);
  serve("POST /api/jobs/1/stop", {});
  const { container } = show(<JobStrip propertyId={7} />);
  const strip = await screen.findByRole("status");
  expect(strip.textContent).toContain("812 done, 1,838 waiting, 40 a second, about 46 s left");
  expect(screen.queryByText("Job 2")).toBeNull();
  const line = container.querySelector("[aria-hidden] span") as HTMLElement;
  expect(Number.parseFloat(line.style.width)).toBeCloseTo((100 * 812) / 2650, 3);
  fireEvent.click(screen.getByRole("button", { name: "Stop" }));
  await waitFor(() => expect(asked("POST /api/jobs/1/stop")).toHaveLength(1));
});

it("gives no figures where there are none, and no way to stop what cannot be stopped", async () => {
  serve(JOBS, [job(3, { kind: "aim" })]);
  show(<JobStrip propertyId={7} />);
  expect((await screen.findByRole("status")).textContent).toContain("This takes a while on many items.");
  expect(screen.queryByRole("button", { name: "Stop" })).toBeNull();
});

it("says why work could not be stopped", async () => {
  serve(JOBS, [job(4, { done: 3 })]);
  serve("POST /api/jobs/4/stop", new Problem(409, "This has ended already."));
  show(<JobStrip propertyId={7} />);
  expect((await screen.findByRole("status")).textContent).toContain("3 done, 0 a second");
  fireEvent.click(screen.getByRole("button", { name: "Stop" }));
  expect(await screen.findByText("This has ended already.")).toBeTruthy();
});

it("takes back what was just done, once", async () => {
  let undone = 0;
  show(<p>Nothing</p>);
  tellWithUndo("3 keywords removed.", () => undone++);
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  expect(undone).toBe(1);
  await waitFor(() => expect(screen.queryByRole("button", { name: "Undo" })).toBeNull());
});
