import { readFileSync } from "node:fs";
import { within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";

const script = readFileSync("../server/src/main/resources/review/sheet.js", "utf8");

const text = (id: number, section: string, after: string, more = {}) => ({
  id,
  section,
  after,
  before: `Old ${id}`,
  address: `/page-${id}`,
  field: "title",
  label: "title",
  reword: true,
  ...more,
});

const SHEET = {
  sheet: "0123456789abcdef",
  client: "Tarrin Bay Kayaks",
  property: "Website",
  made: "28 Nov 2026",
  texts: [
    text(1, "Hire", "Kayaks by the day", { drawn: { size: 20, width: 600, lines: 1, before: 5, after: 10 } }),
    text(2, "Hire", "<img src=x onerror=alert(1)>"),
    text(3, "Tours", "Sea caves at low tide"),
  ],
};

let saved: Blob | undefined;

/** Opens the file as a browser would. */
function open(sheet = SHEET) {
  document.body.innerHTML = '<main></main><script type="application/json" id="sheet"></script>';
  (document.getElementById("sheet") as HTMLElement).textContent = JSON.stringify(sheet);
  new Function(script)();
  return within(document.body);
}

const card = (id: number) => within(document.querySelectorAll("article")[id - 1]);
const press = (id: number, name: string) => userEvent.click(card(id).getByRole("button", { name }));

async function save() {
  await userEvent.click(within(document.body).getByRole("button", { name: "Save what was decided" }));
  return JSON.parse(await (saved as Blob).text());
}

beforeEach(() => {
  localStorage.clear();
  saved = undefined;
  URL.createObjectURL = (file) => {
    saved = file as Blob;
    return "#saved";
  };
});

it("shows what is proposed as text, cut where a result page cuts it", () => {
  const page = open();
  expect(page.getByRole("heading", { level: 1 }).textContent).toBe("Texts for Tarrin Bay Kayaks");
  expect(document.querySelector("img"), "no text is read as markup").toBeNull();
  expect(page.getByText("<img src=x onerror=alert(1)>")).toBeDefined();
  expect([...document.querySelectorAll("article i")].map((rest) => rest.textContent)).toEqual(["the day"]);
  expect(page.getByRole("status").textContent).toBe("0 of 3 decided");
  expect(page.getByRole<HTMLButtonElement>("button", { name: "Save what was decided" }).disabled).toBe(true);
});

it("lets nothing be reworded but what people read", () => {
  open({ ...SHEET, texts: [text(1, "Hire", "hire-by-the-day", { reword: false })] });
  expect(card(1).queryByRole("button", { name: "Reword" })).toBeNull();
  expect(card(1).getByRole("button", { name: "Send back" })).toBeDefined();
});

it("saves what was decided of each text, and nothing that is out of sight", async () => {
  open();
  await press(1, "Reword");
  const wording = card(1).getByRole("textbox", { name: "Your wording" });
  await userEvent.clear(wording);
  await userEvent.type(wording, "Kayaks for a day");
  await press(2, "Send back");
  await userEvent.type(card(2).getByRole("textbox", { name: "Note" }), "Is this a test?");
  await press(3, "Send back");
  await userEvent.type(card(3).getByRole("textbox", { name: "Note" }), "No");
  await press(3, "Approve");
  expect(await save()).toEqual({
    sheet: SHEET.sheet,
    decisions: [
      { id: 1, decision: "reword", text: "Kayaks for a day" },
      { id: 2, decision: "send-back", note: "Is this a test?" },
      { id: 3, decision: "approve" },
    ],
  });
});

it("approves a section but for what was decided in it, and takes a decision back", async () => {
  const page = open();
  await press(2, "Send back");
  await userEvent.click(page.getByRole("button", { name: "Approve all 2" }));
  await userEvent.click(page.getByRole("button", { name: "Approve it" }));
  await press(3, "Approve");
  expect(page.getByRole("status").textContent).toBe("2 of 3 decided");
  expect((await save()).decisions.map((each: { decision: string }) => each.decision)).toEqual(["send-back", "approve"]);
});

it("goes on where it was closed, also after what was kept is damaged or of another sheet", async () => {
  open();
  await press(3, "Approve");
  expect(open().getByRole("status").textContent).toBe("1 of 3 decided");
  expect(open({ ...SHEET, sheet: "another" }).getByRole("status").textContent).toBe("0 of 3 decided");
  localStorage.setItem(`review ${SHEET.sheet}`, "{broken");
  expect(open().getByRole("status").textContent).toBe("0 of 3 decided");
});
