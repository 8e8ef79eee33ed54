import { fireEvent, screen, waitFor } from "@testing-library/react";
import { expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { show } from "../../testing/view";
import type { Property } from "../api/client";
import { LanguageNotice } from "./LanguageNotice";

const BAKERY: Property = {
  id: 7,
  clientId: 3,
  kind: "website",
  name: "Ofen am Markt",
  address: "https://ofen.example/",
  privateAllowed: false,
  language: "en",
  revision: 4,
};

it("offers to set the language that most pages are in, and says so until it is set", async () => {
  let set = "en";
  serve("GET /api/properties/7/language", () => ({ other: set === "en" ? { code: "de", items: 1_204 } : null }));
  serve("PUT /api/properties/7", new Problem(503, "The database is busy."));
  show(<LanguageNotice property={BAKERY} />);
  const button = await screen.findByRole("button", { name: "Set it to German" });
  expect(screen.getByRole("status").textContent).toContain(
    "1,204 pages say they are in German; the property is set to English.",
  );

  fireEvent.click(button);
  expect(await screen.findByText("The database is busy."), "what went wrong is said").toBeTruthy();
  expect(screen.getByRole("button", { name: "Set it to German" }), "and it is offered still").toBeTruthy();

  serve("PUT /api/properties/7", () => {
    set = "de";
    return { ...BAKERY, language: "de" };
  });
  fireEvent.click(screen.getByRole("button", { name: "Set it to German" }));
  await waitFor(() => expect(screen.queryByRole("status")).toBeNull());
  const { id: _, revision: __, ...kept } = BAKERY;
  expect(asked("PUT /api/properties/7")[1]?.body, "nothing else of the property changes").toEqual({
    ...kept,
    language: "de",
  });
});

it("says nothing where the pages are in the property's language", async () => {
  serve("GET /api/properties/7/language", { other: null });
  show(<LanguageNotice property={BAKERY} />);
  await waitFor(() => expect(asked("GET /api/properties/7/language")).toHaveLength(1));
  expect(screen.queryByRole("status")).toBeNull();
});
