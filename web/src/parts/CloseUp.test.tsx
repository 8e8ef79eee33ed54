import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { type Asked, asked, serve } from "../../testing/server";
import { cell, finding, item, show } from "../../testing/view";
import type { ItemRow } from "../api/client";
import { CloseUp } from "./CloseUp";

const FIT = {
  ...(cell("").fit as NonNullable<ItemRow["title"]["fit"]>),
  ...{ px: 612.4, chars: 58, fitting: 50, desktopFitting: 50, phoneFitting: 58, says: "33 px over" },
};

/** What the server says of texts: the keyword's word marked, the measure of the title. */
const looks = ({ body }: Asked) => {
  const { title, description } = body as { title: string; description: string };
  const of = (text: string) => ({
    fit: { ...FIT, says: text.length > 40 ? "33 px over" : "" },
    lacks: text.includes("lesson") ? [] : ["lesson"],
    desktop: [
      {
        pieces: [
          { text: `${text} `, marked: false },
          { text: "kayak", marked: true },
        ],
      },
    ],
    phone: [{ pieces: [{ text: `phone: ${text}`, marked: false }] }],
  });
  return { title: of(title), description: of(description) };
};

const ROW = item(5, {
  title: cell("Hire", { draft: "Kayak hire by the hour in Gull Cove and Fennick" }),
  aim: {
    keywordId: 1,
    keyword: "kayak lesson",
    volume: 1300,
    byHand: false,
    score: 0.8,
    reason: "all its words stand in the H1",
  },
  findings: [
    finding("title", "too-long", {
      evidence: "33 px over 580 on a desktop",
      stake: { clicks: 12.2, low: 4, high: 20.4 },
    }),
  ],
});

beforeEach(() => {
  serve("GET /api/items/5", ROW);
  serve("GET /api/items/5/history", [
    {
      title: "Recipe for titles",
      state: "undone",
      created: "2026-10-02T08:00:00Z",
      field: "title",
      afterText: "Hire a kayak",
    },
  ]);
  serve("GET /api/properties/7/items/5/demand", [
    {
      impressions: 340.2,
      clicks: 15,
      expected: 20.8,
      season: 1.4,
      ranks: [{ keyword: "kayak lesson", searches: 210, position: 8.24, primary: true }],
    },
  ]);
  serve("POST /api/properties/7/looks", looks);
  serve("POST /api/properties/7/cells", {});
  serve("POST /api/properties/7/keeps", { fields: 2 });
});

it("shows the result as it will look, the measure, the keyword, the findings and the history", async () => {
  show(<CloseUp propertyId={7} itemId={5} onClose={() => undefined} />);
  // It begins with the phone, whose result fits a narrow panel at its real size.
  expect(await screen.findByText(/^phone: Kayak hire/)).toBeTruthy();
  fireEvent.click(screen.getByLabelText("Desktop"));
  const result = await screen.findByRole("figure", { name: "The result on a desktop" });
  expect(within(result).getAllByText("kayak")[0].tagName).toBe("MARK");
  expect(within(result).getByText("tarrin.example › page-5")).toBeTruthy();
  expect(screen.getAllByText(/612 px, 58 characters/)[0].textContent).toContain("33 px over; lacks lesson");
  expect(screen.getByText("Captured: Hire")).toBeTruthy();
  expect(screen.getByText(/1,300 searches a month/)).toBeTruthy();
  expect(screen.getByText("1 finding")).toBeTruthy();
  expect(screen.getByText("12 clicks a month (4 to 20)")).toBeTruthy();
  expect((await screen.findByText(/340 impressions a month/)).textContent).toBe(
    "340 impressions a month, at positions that let 21 clicks be expected; 15 came. All in an average month of the year; the reported months bring 40% more. For “kayak lesson” (210 searches) it stands at 8.2.",
  );
  expect(await screen.findByText("(undone)")).toBeTruthy();
  expect((screen.getByLabelText("Title") as HTMLTextAreaElement).readOnly).toBe(true);
});

it("puts the item on a review list, to be found by its address", async () => {
  serve("GET /api/properties/7/reviews", []);
  serve("POST /api/properties/7/reviews/items", {});
  show(<CloseUp propertyId={7} itemId={5} onClose={() => undefined} />);
  fireEvent.click(await screen.findByRole("button", { name: "Put on a list" }));
  const dialog = within(await screen.findByRole("dialog"));
  fireEvent.change(dialog.getByPlaceholderText("Spring tours"), { target: { value: "Hire" } });
  fireEvent.click(dialog.getByRole("button", { name: "Put on the list" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/reviews/items")[0]?.body).toMatchObject({
      list: "Hire",
      place: "q=https%3A%2F%2Ftarrin.example%2Fpage-5",
    }),
  );
});

it("has texts measured by the server as they are typed, and drafts what changed", async () => {
  show(<CloseUp propertyId={7} itemId={5} editable onClose={() => undefined} />);
  const title = await screen.findByLabelText("Title");
  const draft = screen.getByRole("button", { name: "Save draft" }) as HTMLButtonElement;
  expect(draft.disabled).toBe(true);
  await userEvent.clear(title);
  await userEvent.type(title, "A kayak lesson");
  await waitFor(() =>
    expect(asked("POST /api/properties/7/looks").slice(-1)[0].body).toMatchObject({
      title: "A kayak lesson",
      keyword: "kayak lesson",
    }),
  );
  await waitFor(() => expect(screen.getAllByText(/612 px/)[0].textContent).not.toContain("over"));
  fireEvent.click(draft);
  await waitFor(() =>
    expect(asked("POST /api/properties/7/cells")[0]?.body).toEqual([
      { itemId: 5, field: "title", text: "A kayak lesson", from: "Kayak hire by the hour in Gull Cove and Fennick" },
    ]),
  );
  fireEvent.click(screen.getByRole("button", { name: "Revert" }));
  expect((title as HTMLTextAreaElement).value).toBe("Kayak hire by the hour in Gull Cove and Fennick");
});

it("saves what was typed when it is left, as typed over what stood there when the typing began", async () => {
  const { unmount } = show(<CloseUp propertyId={7} itemId={5} editable onClose={() => undefined} />);
  await userEvent.type(await screen.findByLabelText("Title"), "!");
  serve("GET /api/items/5", item(5, { title: cell("Hire", { draft: "Theirs" }), h1: "Theirs too" }));
  fireEvent.click(screen.getByRole("button", { name: "Keep as is" }));
  await userEvent.type(screen.getByLabelText(/Why title and description/), "Good");
  fireEvent.click(screen.getByRole("button", { name: "Keep" }));
  await screen.findByText("Theirs too");
  unmount();
  await waitFor(() =>
    expect(asked("POST /api/properties/7/cells").map(({ body }) => body)).toEqual([
      [
        {
          itemId: 5,
          field: "title",
          text: "Kayak hire by the hour in Gull Cove and Fennick!",
          from: "Kayak hire by the hour in Gull Cove and Fennick",
        },
      ],
    ]),
  );
});

it("keeps what is typed on while a text is being saved", async () => {
  let open = () => {};
  const opened = new Promise<void>((resolve) => {
    open = resolve;
  });
  serve("POST /api/properties/7/cells", async () => {
    await opened;
    serve("GET /api/items/5", item(5, { title: cell("Hire", { draft: "A" }) }));
    return {};
  });
  show(<CloseUp propertyId={7} itemId={5} editable onClose={() => undefined} />);
  const title = (await screen.findByLabelText("Title")) as HTMLTextAreaElement;
  fireEvent.change(title, { target: { value: "A" } });
  fireEvent.click(screen.getByRole("button", { name: "Save draft" }));
  fireEvent.change(title, { target: { value: "A boat" } });
  open();
  await waitFor(() => expect(screen.getByRole("button", { name: "Save draft" }).dataset.loading).toBeUndefined());
  expect(title.value).toBe("A boat");
  fireEvent.click(screen.getByRole("button", { name: "Save draft" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/cells")[1]?.body).toEqual([
      { itemId: 5, field: "title", text: "A boat", from: "A" },
    ]),
  );
});

it("saves nothing when it is left and only others wrote", async () => {
  const { unmount } = show(<CloseUp propertyId={7} itemId={5} editable onClose={() => undefined} />);
  await screen.findByText("Captured: Hire");
  serve("GET /api/items/5", item(5, { title: cell("Hire", { draft: "Theirs" }) }));
  fireEvent.click(screen.getByRole("button", { name: "Keep as is" }));
  await userEvent.type(screen.getByLabelText(/Why title and description/), "Good");
  fireEvent.click(screen.getByRole("button", { name: "Keep" }));
  await screen.findByDisplayValue("Theirs");
  unmount();
  expect(asked("POST /api/properties/7/cells")).toHaveLength(0);
});

it("keeps texts as they are only with a reason, and lets them go again", async () => {
  const { unmount } = show(<CloseUp propertyId={7} itemId={5} editable onClose={() => undefined} />);
  fireEvent.click(await screen.findByRole("button", { name: "Keep as is" }));
  const keep = screen.getByRole("button", { name: "Keep" }) as HTMLButtonElement;
  expect(keep.disabled).toBe(true);
  await userEvent.type(screen.getByLabelText(/Why title and description/), "The owner's words");
  fireEvent.click(keep);
  await waitFor(() =>
    expect(asked("POST /api/properties/7/keeps")[0]?.body).toEqual({
      selection: { ids: [5] },
      fields: ["title", "description"],
      reason: "The owner's words",
    }),
  );
  unmount();
  serve("GET /api/items/5", item(5, { title: cell("Hire", { kept: "The owner's words" }) }));
  show(<CloseUp propertyId={7} itemId={5} editable onClose={() => undefined} />);
  fireEvent.click(await screen.findByRole("button", { name: "Stop keeping" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/keeps")[1]?.body).toEqual({ selection: { ids: [5] }, fields: ["title"] }),
  );
});

it("says what it is for before a row is chosen, and what a page is not", async () => {
  const { unmount } = show(<CloseUp propertyId={7} itemId={undefined} onClose={() => undefined} />);
  expect(screen.getByText(/Choose a row to see its item close up/)).toBeTruthy();
  unmount();
  serve("GET /api/items/5", item(5, { noindex: "it answers 404", depth: -1 }));
  show(<CloseUp propertyId={7} itemId={5} onClose={() => undefined} />);
  expect(await screen.findByText("Not indexable: it answers 404.")).toBeTruthy();
  expect(screen.getByText("No link leads to it.")).toBeTruthy();
  expect(screen.getByText("It has no keyword yet.")).toBeTruthy();
});

it("lets a finding stand with the reason and a day, and holds the item to the check again", async () => {
  serve(
    "GET /api/items/5",
    item(5, {
      title: cell("Hire, hire and kayaks"),
      findings: [
        finding("title", "repeated-word", {
          evidence: "“hire” stands 2 times",
          limit: "at most once",
          fix: "recipe",
          marks: [
            { from: 0, to: 4 },
            { from: 6, to: 10 },
          ],
        }),
      ],
    }),
  );
  serve("GET /api/items/5/exemptions", [
    {
      itemId: 5,
      field: "h1",
      checkCode: "missing",
      reason: "An index",
      untilDay: "2027-03-01",
      added: "",
      cameBack: false,
    },
    { itemId: 5, field: "title", checkCode: "emoji", reason: "Old", untilDay: null, added: "", cameBack: true },
  ]);
  serve("POST /api/properties/7/exemptions", { items: 1, at: "2026-11-27T10:00:00.000001Z" });
  serve("POST /api/properties/7/exemptions/end", { items: 1 });
  show(<CloseUp propertyId={7} itemId={5} editable onClose={() => undefined} />, "/p/7/rewrite");
  expect((await screen.findAllByText(/^hire$/i)).map((mark) => mark.tagName)).toEqual(["MARK", "MARK"]);
  expect(screen.getByText(/limit: at most once/)).toBeTruthy();
  const fix = screen.getByRole("link", { name: "Rewrite by recipe" });
  expect(fix.getAttribute("href")).toBe("/p/7/rewrite?q=https%3A%2F%2Ftarrin.example%2Fpage-5&tool=recipe&on=title");
  fireEvent.click(screen.getByRole("button", { name: "Let it stand" }));
  fireEvent.change(screen.getByLabelText("Why it stands"), { target: { value: "Their own words" } });
  fireEvent.change(screen.getByLabelText("Look again on"), { target: { value: "2027-05-01" } });
  fireEvent.click(screen.getByRole("button", { name: "Let it stand" }));
  const about = { selection: { ids: [5] }, field: "title", check: "repeated-word" };
  await waitFor(() =>
    expect(asked("POST /api/properties/7/exemptions")[0]?.body).toEqual({
      ...about,
      reason: "Their own words",
      until: "2027-05-01",
    }),
  );
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/exemptions/end")[0]?.body).toEqual({
      at: "2026-11-27T10:00:00.000001Z",
      field: "title",
      check: "repeated-word",
    }),
  );
  expect(screen.getByText("An index (until 1 Mar 2027)")).toBeTruthy();
  expect(screen.queryByText("Old")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Hold it to the check again" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/exemptions/end").at(-1)?.body).toEqual({
      selection: { ids: [5] },
      field: "h1",
      check: "missing",
    }),
  );
});
