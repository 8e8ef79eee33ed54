import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { asked, serve } from "../../../testing/server";
import { show } from "../../../testing/view";
import type { PushLine, PushView } from "../../api/client";
import { PushDialog } from "./PushDialog";

const push = (texts: Record<string, number>, changes: Partial<PushView> = {}): PushView => ({
  release: {
    id: 3,
    propertyId: 7,
    format: "csv",
    items: 20,
    texts: 20,
    created: "2026-11-20T08:00:00Z",
    name: "Tours",
    reason: "Agreed on 20 Nov.",
  },
  jobId: 5,
  underWay: false,
  texts,
  items: texts,
  says: "8 pushed, 1 changed meanwhile.",
  ...changes,
});

const line: PushLine = {
  itemId: 11,
  address: "https://tarrin.example/tours/",
  field: "title",
  state: "changed",
  before: "Tours | Tarrin Bay Kayaks",
  after: "Guided tours",
  base: null,
  found: "Tours by the guides",
  was: null,
  note: "",
};

const open = (view: PushView) =>
  show(
    <PushDialog propertyId={7} push={view} selected={{ ids: [11, 12] }} onClose={() => undefined} />,
    "/p/7/release",
  );

beforeEach(() => {
  serve("GET /api/pushes/3/lines", [line]);
  serve("POST /api/pushes/3/runs", { jobId: 6 });
  serve("POST /api/pushes/3/return", { jobId: 6 });
  serve("POST /api/pushes/3/decisions", { texts: 1 });
  serve("POST /api/jobs/5/stop", {});
});

it("shows what is there beside what was and ours, and lets a person decide", async () => {
  open(push({ pushed: 8, changed: 1, waiting: 11 }));
  expect(await screen.findByText("Tours by the guides")).toBeTruthy();
  expect(asked("GET /api/pushes/3/lines")[0].query).toMatchObject({ state: "changed" });
  const texts = within(screen.getByRole("region", { name: "Texts" }));
  expect(texts.getByText("Tours | Tarrin Bay Kayaks")).toBeTruthy();
  fireEvent.click(texts.getByRole("button", { name: "Theirs" }));
  await waitFor(() =>
    expect(asked("POST /api/pushes/3/decisions")[0]?.body).toEqual({ wish: "THEIRS", itemIds: [11], field: "title" }),
  );
  fireEvent.click(screen.getByRole("button", { name: /8\s*pushed/ }));
  await waitFor(() => expect(asked("GET /api/pushes/3/lines").at(-1)?.query).toMatchObject({ state: "pushed" }));
});

it("pushes a few first, all, or only looks, and takes back when asked twice", async () => {
  open(push({ pushed: 8, waiting: 11 }));
  fireEvent.click(await screen.findByRole("button", { name: "Push a few first" }));
  await waitFor(() => expect(asked("POST /api/pushes/3/runs")[0]?.body).toEqual({ few: 3, rehearsal: false }));
  fireEvent.click(screen.getByRole("button", { name: "Dry run" }));
  await waitFor(() => expect(asked("POST /api/pushes/3/runs")[1]?.body).toEqual({ rehearsal: true }));
  await waitFor(() =>
    expect((screen.getByRole("button", { name: "Push the other 11" }) as HTMLButtonElement).disabled).toBe(false),
  );
  fireEvent.click(screen.getByRole("button", { name: "Push the other 11" }));
  await waitFor(() => expect(asked("POST /api/pushes/3/runs")[2]?.body).toEqual({ rehearsal: false }));
  fireEvent.click(screen.getByRole("button", { name: "Take back …" }));
  expect(asked("POST /api/pushes/3/return")).toHaveLength(0);
  fireEvent.click(screen.getByRole("button", { name: "Take back 8" }));
  await waitFor(() => expect(asked("POST /api/pushes/3/return")[0]?.body).toEqual({}));
});

it("can only be paused while it is being pushed", async () => {
  open(push({ pushed: 8, waiting: 12 }, { underWay: true }));
  fireEvent.click(await screen.findByRole("button", { name: "Pause" }));
  await waitFor(() => expect(asked("POST /api/jobs/5/stop")).toHaveLength(1));
  expect(screen.queryByRole("button", { name: /Push/ })).toBeNull();
  expect(screen.queryByRole("button", { name: /Take back/ })).toBeNull();
});

it("takes back only what is selected in the table, or one item", async () => {
  serve("GET /api/pushes/3/lines", [{ ...line, state: "pushed" }]);
  open(push({ pushed: 8 }));
  fireEvent.click(await screen.findByRole("button", { name: "Take back …" }));
  fireEvent.click(screen.getByLabelText("Only the items selected in the table"));
  fireEvent.click(screen.getByRole("button", { name: "Take these back" }));
  await waitFor(() => expect(asked("POST /api/pushes/3/return")[0]?.body).toEqual({ selection: { ids: [11, 12] } }));
  fireEvent.click(screen.getByRole("button", { name: /8\s*pushed/ }));
  const texts = within(screen.getByRole("region", { name: "Texts" }));
  fireEvent.click(await texts.findByRole("button", { name: "Take back" }));
  await waitFor(() => expect(asked("POST /api/pushes/3/return")[1]?.body).toEqual({ selection: { ids: [11] } }));
});
