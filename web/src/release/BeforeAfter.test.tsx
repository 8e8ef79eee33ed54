import { fireEvent, screen } from "@testing-library/react";
import { beforeEach, expect, it, vi } from "vitest";
import { Problem, serve } from "../../testing/server";
import { item, show } from "../../testing/view";
import { BeforeAfter } from "./BeforeAfter";

const text = (state: string) => ({
  field: "title",
  before: "Oars | Tarrin Bay Kayaks",
  after: "Oars of ash",
  state,
  words: [
    { fate: "SAME", text: "Oars " },
    { fate: "WENT", text: "| Tarrin Bay Kayaks" },
    { fate: "CAME", text: "of ash" },
  ],
  beforeFit: null,
  afterFit: null,
});

const drafted = (state: string) => ({
  texts: [text(state)],
  gone: [{ field: "title", check: "common-ending" }],
  come: [{ field: "title", check: "too-short" }],
  before: { clicks: 7.4, low: 2, high: 12 },
  after: { clicks: 1.2, low: 0, high: 3 },
});

const view = (noting: boolean, onNoting = vi.fn(), onDecide = vi.fn()) => {
  show(
    <BeforeAfter
      propertyId={7}
      item={item(3, {})}
      busy={false}
      noting={noting}
      onNoting={onNoting}
      onDecide={onDecide}
    />,
    "/p/7/release",
  );
  return { onNoting, onDecide };
};

beforeEach(() => {
  serve("GET /api/properties/7/findings/checks", []);
  serve("GET /api/items/3/before-after", drafted("drafted"));
});

it("says what went and came, what is mended and new, and what that is worth", async () => {
  const { onDecide, onNoting } = view(false);
  expect((await screen.findByText("of ash")).tagName).toBe("INS");
  expect(screen.getByText("| Tarrin Bay Kayaks").tagName).toBe("DEL");
  expect(screen.getByText("title common ending")).toBeTruthy();
  expect(screen.getByText("title too short")).toBeTruthy();
  expect(screen.getByText(/6 won back/).textContent).toBe("6 won back (at stake before: 7)");
  fireEvent.click(screen.getByRole("button", { name: /Approve/ }));
  expect(onDecide).toHaveBeenCalledWith("approved", "");
  fireEvent.click(screen.getByRole("button", { name: /Send back/ }));
  expect(onNoting).toHaveBeenCalledWith(true);
});

it("sends back with a note, and decides nothing of what was delivered", async () => {
  const { onDecide, onNoting } = view(true);
  const box = await screen.findByLabelText("Note");
  fireEvent.change(box, { target: { value: " Say which wood " } });
  fireEvent.keyDown(box, { key: "Escape" });
  expect(onNoting).toHaveBeenCalledWith(false);
  fireEvent.click(screen.getByRole("button", { name: "Send back" }));
  expect(onDecide).toHaveBeenCalledWith("sent-back", "Say which wood");
});

it("offers no decision where all was delivered", async () => {
  serve("GET /api/items/3/before-after", drafted("delivered"));
  view(false);
  expect(await screen.findByText("of ash")).toBeTruthy();
  expect(screen.queryByRole("button", { name: /Approve/ })).toBeNull();
});

it("says what went wrong instead of nothing", async () => {
  serve("GET /api/items/3/before-after", new Problem(409, "others are at work on this property"));
  view(false);
  expect((await screen.findByRole("alert")).textContent).toContain("Others are at work on this property.");
});
