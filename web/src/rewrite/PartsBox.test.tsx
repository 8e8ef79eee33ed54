import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { expect, it } from "vitest";
import { show } from "../../testing/view";
import { partsInWords } from "../parts/partTexts";
import { PartsBox } from "./PartsBox";

const IMAGES = "/img/boat.jpg\tA boat\n/img/oar.jpg\n/img/line.gif\t";
let value = "";

function Box({ field, start }: { field: string; start: string }) {
  const [text, setText] = useState(start);
  value = text;
  return <PartsBox field={field} label="Texts" value={text} onChange={setText} />;
}

it("begins with the image that lacks a text, and goes on by keys", async () => {
  show(<Box field="images" start={IMAGES} />);
  expect(document.activeElement).toBe(screen.getByLabelText("Alt text of oar.jpg"));
  await userEvent.keyboard("Two oars{ArrowUp}!");
  expect(value).toBe("/img/boat.jpg\tA boat!\n/img/oar.jpg\tTwo oars\n/img/line.gif\t");
});

it("tells decoration from a missing text", async () => {
  show(<Box field="images" start={IMAGES} />);
  expect(partsInWords(IMAGES)).toBe("boat.jpg: A boat · oar.jpg: none · line.gif: decoration");
  const [, oar, line] = screen.getAllByRole("button", { name: "decoration" });
  expect(line.getAttribute("aria-pressed")).toBe("true");
  await userEvent.click(oar);
  await userEvent.click(line);
  expect(value).toBe("/img/boat.jpg\tA boat\n/img/oar.jpg\t\n/img/line.gif");
});

it("names links by the pages they lead to", async () => {
  show(<Box field="links" start={"https://tarrin.example/hire/\tclick here"} />);
  await userEvent.clear(screen.getByLabelText("Text of the link to hire"));
  await userEvent.keyboard("Hire a kayak");
  expect(value).toBe("https://tarrin.example/hire/\tHire a kayak");
  expect(screen.queryByRole("button")).toBeNull();
});
