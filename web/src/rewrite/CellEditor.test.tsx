import { fireEvent, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { expect, it } from "vitest";
import { type Asked, asked, serve } from "../../testing/server";
import { cell, item, show } from "../../testing/view";
import type { ItemRow } from "../api/client";
import { CellEditor } from "./CellEditor";

const FIT = cell("").fit as NonNullable<ItemRow["title"]["fit"]>;
const LINES = { ...FIT, sizePx: 14, phoneSizePx: 14, desktopLimit: 920, desktopLines: 2, phoneLimit: 700 };

const look = (text: string, fit: typeof FIT, lacks: string[]) => ({
  fit,
  desktop: [{ pieces: [{ text, marked: false }] }],
  phone: [{ pieces: [{ text: `phone: ${text}`, marked: false }] }],
  cutOnDesktop: false,
  cutOnPhone: false,
  keyword: ["kayak", "hire"].map((word) => ({ text: word, present: !lacks.includes(word) })),
  lacks,
});

const NEXT = [
  { word: "kayak", text: "Hire kayak", gained: 0, px: 120, fits: true, ofKeyword: true },
  { word: "prices", text: "Hire prices", gained: 340, px: 130, fits: false, ofKeyword: false },
];

const aim = { keyword: "kayak hire", reason: "", volume: null } as unknown as ItemRow["aim"];

function Edited({ field }: { field: "title" | "description" | "tags" }) {
  const row = item(5, {
    aim,
    tags: cell("gift"),
    title: cell("Hire", { fit: FIT }),
    description: cell("A.", { fit: LINES }),
  });
  const [value, setValue] = useState("Hire");
  return <CellEditor propertyId={7} row={row} field={field} value={value} onChange={setValue} />;
}

function answers(fit: typeof FIT) {
  serve("POST /api/properties/7/looks", ({ body }: Asked) => {
    const { title, description } = body as { title: string; description: string };
    const lacks = title.includes("kayak") ? [] : ["kayak"];
    return { title: look(title, fit, lacks), description: look(description, LINES, ["kayak"]) };
  });
  serve("POST /api/items/5/wordings", ({ body }: Asked) => {
    const [text] = (body as { texts: string[] }).texts;
    const twin = { label: "title duplicate", evidence: "the same as /hire/" };
    return {
      wordings: [{ text, found: text === "Hire kayak" ? [twin] : [] }],
      offers: [],
      next: NEXT,
      rivals: [],
      compared: null,
    };
  });
}

it("measures for both devices, ticks the keyword's words, and draws the result as it is typed", async () => {
  answers({ ...FIT, px: 612, desktopFitting: 2, says: "32 px over" });
  show(<Edited field="title" />);
  const box = screen.getByLabelText("title of https://tarrin.example/page-5");
  expect(document.activeElement).toBe(box);
  expect(await screen.findByText("desktop 612 of 580 px, mobile 551 of 580 px, 20 characters")).toBeTruthy();
  expect(screen.getByText("32 px over")).toBeTruthy();
  expect(screen.getByText("is missing").parentElement?.textContent).toContain("kayak");
  expect(screen.getByText("is there").parentElement?.textContent).toContain("hire");
  fireEvent.change(box, { target: { value: "Hire kayak" } });
  expect(await screen.findByText("phone: Hire kayak")).toBeTruthy();
  expect(screen.queryByText("is missing")).toBeNull();
  // Once the typing pauses it is said what would be found.
  expect((await screen.findByLabelText("What would be found of it")).textContent).toBe("duplicate the same as /hire/");
});

it("proposes words to go on with, by key", async () => {
  answers(FIT);
  show(<Edited field="title" />);
  const box = screen.getByLabelText("title of https://tarrin.example/page-5") as HTMLInputElement;
  await waitFor(() => expect(asked("POST /api/items/5/wordings")).toHaveLength(1));
  fireEvent.keyDown(box, { key: " ", ctrlKey: true });
  const list = await screen.findByRole("listbox", { name: "Words to go on with" });
  expect(list.textContent).toContain("kayakof the keyword, 120 px");
  expect(list.textContent).toContain("prices340 searches a month more, 130 px, too long");
  fireEvent.keyDown(box, { key: "Escape" });
  expect(screen.queryByRole("listbox")).toBeNull();
  fireEvent.keyDown(box, { key: " ", ctrlKey: true });
  fireEvent.keyDown(await screen.findByLabelText("title of https://tarrin.example/page-5"), { key: "ArrowDown" });
  fireEvent.keyDown(box, { key: "Enter" });
  expect(box.value).toBe("Hire prices ");
});

it("marks where a description is cut, and begins a line with alt+Enter", async () => {
  answers(FIT);
  show(<Edited field="description" />);
  const box = screen.getByLabelText("description of https://tarrin.example/page-5") as HTMLTextAreaElement;
  box.setSelectionRange(4, 4);
  fireEvent.keyDown(box, { key: "Enter", altKey: true });
  await waitFor(() => expect(box.value).toBe("Hire\n"));
  fireEvent.keyDown(box, { key: "Enter" });
  expect(box.value).toBe("Hire\n");
});

it("takes tags as plain text and measures nothing", async () => {
  answers(FIT);
  show(<Edited field="tags" />);
  const box = screen.getByLabelText("tags of https://tarrin.example/page-5");
  fireEvent.change(box, { target: { value: "oar, gift" } });
  expect((box as HTMLTextAreaElement).value).toBe("oar, gift");
  expect(screen.queryByText(/of 580 px/)).toBeNull();
  await waitFor(() => expect(asked("POST /api/items/5/wordings")).toHaveLength(0));
});
