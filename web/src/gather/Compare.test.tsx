import { fireEvent, screen, waitFor } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { asked, serve } from "../../testing/server";
import { show, standing } from "../../testing/view";
import { Compare } from "./Compare";

const sweep = (id: number, kind = "crawl", ofItems = true) => ({
  id,
  propertyId: 7,
  jobId: id,
  kind,
  ofItems,
  source: "https://tarrin.example/",
  state: "done",
  started: `2026-10-0${id}T08:00:00Z`,
  ended: null,
});

const ROWS = [
  {
    itemId: 1,
    address: "https://tarrin.example/hire",
    kind: "CHANGED",
    movedTo: "",
    fields: [
      {
        field: "title",
        drafted: false,
        pieces: [
          { fate: "SAME", text: "Hire a " },
          { fate: "WENT", text: "kayak" },
          { fate: "CAME", text: "double kayak" },
        ],
      },
      { field: "h1", drafted: true, pieces: [{ fate: "CAME", text: "Hire" }] },
    ],
  },
  {
    itemId: 2,
    address: "https://tarrin.example/old",
    kind: "MOVED",
    movedTo: "https://tarrin.example/hire",
    fields: [],
  },
];

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/sweeps", [sweep(5, "import", false), sweep(4), sweep(3), sweep(1)]);
  serve("GET /api/properties/7/comparison", {
    total: 2,
    counts: { new: 0, gone: 0, moved: 1, changed: 1, unchanged: 118 },
    fields: { title: 1, h1: 1 },
    undrafted: 1,
    rows: ROWS,
  });
});

it("shows the last two sweeps side by side, word by word, and one of them in full", async () => {
  const { container } = show(<Compare />, "/p/7/gather/compare");
  expect(await screen.findByText("moved to /hire")).toBeTruthy();
  expect(container.querySelector("del")?.textContent).toBe("kayak");
  expect(container.querySelector("ins")?.textContent).toBe("double kayak");
  expect(screen.getByText("changed, H1 too")).toBeTruthy();
  expect(screen.getByText("118 unchanged")).toBeTruthy();
  expect(asked("GET /api/properties/7/comparison")[0].query).toMatchObject({ before: "3", after: "4" });
  fireEvent.keyDown(screen.getByRole("grid"), { key: "ArrowDown" });
  expect(await screen.findByText("not drafted here")).toBeTruthy();
  expect(screen.getByRole("link", { name: "Open in Rewrite" }).getAttribute("href")).toContain("rewrite?q=");
});

it("narrows the differences, and its download with them", async () => {
  show(<Compare />, "/p/7/gather/compare?before=1&after=4");
  const changed = await screen.findByRole("button", { name: "1 changed" });
  expect((screen.getByRole("button", { name: "0 gone" }) as HTMLButtonElement).disabled).toBe(true);
  fireEvent.click(changed);
  fireEvent.click(screen.getByLabelText("only changes not drafted here (1)"));
  fireEvent.change(screen.getByLabelText("Field that changed"), { target: { value: "title" } });
  const wanted = { before: "1", after: "4", kind: "CHANGED", undrafted: "true", field: "title" };
  await waitFor(() => expect(asked("GET /api/properties/7/comparison").slice(-1)[0].query).toMatchObject(wanted));
  const link = screen.getByRole("link", { name: "CSV" }).getAttribute("href") ?? "";
  expect(Object.fromEntries(new URLSearchParams(link.split("?")[1]))).toEqual(wanted);
  fireEvent.change(screen.getByLabelText("The earlier sweep"), { target: { value: "3" } });
  await waitFor(() => expect(asked("GET /api/properties/7/comparison").slice(-1)[0].query.before).toBe("3"));
});

it("says what will stand there while there is one sweep only", async () => {
  serve("GET /api/properties/7/sweeps", [sweep(4)]);
  show(<Compare />, "/p/7/gather/compare");
  expect(await screen.findByText(/it takes two sweeps/)).toBeTruthy();
});
