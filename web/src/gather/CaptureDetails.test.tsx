import { fireEvent, screen, waitFor } from "@testing-library/react";
import { expect, it } from "vitest";
import { asked, serve } from "../../testing/server";
import { item, show } from "../../testing/view";
import { CaptureDetails } from "./CaptureDetails";

it("shows all that was captured of a page, and sweeps it again", async () => {
  serve("POST /api/items/1/sweep", {});
  serve("GET /api/items/1/captured", {
    page: {
      titles: ["Hire"],
      descriptions: [],
      h1s: ["Hire a kayak"],
      headings: [],
      canonical: "/hire/",
      robots: "",
      metaKeywords: "",
      published: "",
      modified: "",
      blocked: false,
      images: [{ address: "otter.jpg", alt: null }],
      shared: { title: "Hire, to share", description: "" },
      alternates: [{ language: "de", address: "/de/" }],
      structured: { name: "Otter", description: "", published: "2026-01-02", rating: "4.7 of 31" },
      scripts: [{ field: "title", delivered: "Loading", built: "Hire" }],
    },
    cells: [],
    links: [{ address: "https://tarrin.example/tours/", text: "Tours", place: "NAVIGATION", nofollow: true }],
    linkCount: 1_200,
    alsoAt: ["https://tarrin.example/hire"],
    hasSource: true,
  });
  show(<CaptureDetails propertyId={7} item={item(1)} />);
  const details = (await screen.findByText("All that was captured")).closest("details") as HTMLDetailsElement;
  details.open = true;
  fireEvent(details, new Event("toggle"));
  const facts = await screen.findByText("title: Loading → Hire");
  expect(facts.closest("dl")?.textContent).toContain("Also at/hire");
  for (const text of [
    "Hire, to share",
    "de: /de/",
    "rated 4.7 of 31",
    "otter.jpg: no alt text",
    "/tours/: Tours (navigation, nofollow)",
    "1,200 links on it",
  ]) {
    expect(screen.getByText(text), text).toBeTruthy();
  }
  expect(screen.getByRole("link", { name: "as it came" }).getAttribute("href")).toBe("/api/items/1/source");
  expect(screen.queryByText("Meta keywords"), "nothing is said of what there is none of").toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Sweep this page again" }));
  await waitFor(() => expect(asked("POST /api/items/1/sweep")).toHaveLength(1));
});
