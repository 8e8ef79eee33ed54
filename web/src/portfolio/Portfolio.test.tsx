import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { place, show, standing } from "../../testing/view";
import { Portfolio } from "./Portfolio";

const CLIENT = { id: 3, name: "Tarrin Bay Kayaks", brand: "Tarrin Bay", places: "Gull Cove, Fennick" };

beforeEach(() => {
  serve("GET /api/clients", [CLIENT]);
  serve("GET /api/portfolio", [
    standing({ nextSweep: "2026-11-01", due: 2 }),
    standing({ items: 0, lastSweep: null }, { id: 8, name: "Shop", address: "", kind: "listings" }),
  ]);
  const reported = (first: string, clicks: number) => ({
    first,
    figures: { clicks, impressions: 900, rate: 0.01, position: 4 },
    whole: true,
  });
  serve("GET /api/properties/7/watch/summary", {
    weeks: [reported("2026-10-05", 12), reported("2026-10-12", 30)],
    lastYear: 0.093,
    due: 3,
    firstDue: "Get ready for May",
    moves: 1,
    accepted: null,
    improved: 0,
  });
  serve("GET /api/properties/8/watch/summary", {
    weeks: [],
    lastYear: null,
    due: 0,
    firstDue: "",
    moves: 0,
    accepted: null,
    improved: 0,
  });
  serve("GET /api/removed", []);
  serve("GET /api/backups", { restoreWaiting: false, days: ["2026-11-25"] });
});

it("shows where every property stands, and leads to where its work is", async () => {
  show(<Portfolio />, "/");
  const row = (await screen.findByRole("link", { name: "Tarrin Bay website" })).closest("tr") as HTMLElement;
  await within(row).findByRole("img", { name: "Clicks by week, at most 30, 30 in the last" });
  expect(
    within(row)
      .getAllByRole("cell")
      .map((each) => each.textContent),
  ).toEqual([
    "Tarrin Bay websitehttps://tarrin.example/",
    "1 Oct 2026",
    "",
    "+9.3%",
    "120",
    "35",
    "60",
    "–",
    "6",
    "2",
    "4",
    "3",
    "3 due1 move",
    "Change",
  ]);
  expect(screen.getByRole("link", { name: "Tarrin Bay website" }).getAttribute("href")).toBe("/p/7/triage");
  expect(screen.getByRole("link", { name: "Shop" }).getAttribute("href")).toBe("/p/8/gather");
  expect(screen.getByText("never")).toBeTruthy();
  expect(screen.getByRole("link", { name: "2 phrases" }).getAttribute("href")).toBe("/p/7/aim?side=reviews");
});

it("adds a property once it has a name and an address; a shop needs no address", async () => {
  serve("POST /api/properties", {});
  show(<Portfolio />, "/");
  fireEvent.click(await screen.findByRole("button", { name: "Add a property" }));
  const dialog = within(await screen.findByRole("dialog"));
  const add = dialog.getByRole("button", { name: "Add" }) as HTMLButtonElement;
  await userEvent.type(dialog.getByLabelText("Name"), "Second shop");
  expect(add.disabled).toBe(true);
  fireEvent.change(dialog.getByLabelText("Kind"), { target: { value: "listings" } });
  expect(dialog.queryByLabelText("Address")).toBeNull();
  fireEvent.change(dialog.getByLabelText("Language"), { target: { value: "de" } });
  fireEvent.click(add);
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  expect(asked("POST /api/properties")[0].body).toEqual({
    clientId: 3,
    kind: "listings",
    name: "Second shop",
    address: "",
    language: "de",
    privateAllowed: false,
  });
});

it("keeps what was typed where the server refuses it, and says why", async () => {
  serve("PUT /api/properties/7", new Problem(422, 'Expected the address of a website, got "tarrin bay".'));
  show(<Portfolio />, "/");
  fireEvent.click((await screen.findAllByRole("button", { name: "Change" }))[1]);
  const address = await screen.findByLabelText("Address");
  await userEvent.clear(address);
  await userEvent.type(address, "tarrin bay");
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  expect(await screen.findByText(/Expected the address of a website/)).toBeTruthy();
  expect((screen.getByLabelText("Address") as HTMLInputElement).value).toBe("tarrin bay");
});

it("changes and removes a client, and brings back what was removed", async () => {
  serve("PUT /api/clients/3", {});
  serve("DELETE /api/clients/3", {});
  serve("POST /api/properties/9/restore", {});
  serve("GET /api/removed", [{ kind: "property", id: 9, name: "Old shop", removed: "2026-09-01T08:00:00Z" }]);
  show(<Portfolio />, "/");
  fireEvent.click((await screen.findAllByRole("button", { name: "Change" }))[0]);
  await userEvent.type(await screen.findByLabelText("Places it serves"), ", Old Ferry");
  fireEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() =>
    expect(asked("PUT /api/clients/3")[0]?.body).toEqual({
      name: CLIENT.name,
      brand: CLIENT.brand,
      places: `${CLIENT.places}, Old Ferry`,
    }),
  );
  await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  fireEvent.click(screen.getAllByRole("button", { name: "Change" })[0]);
  fireEvent.click(await screen.findByRole("button", { name: "Remove (can be brought back)" }));
  await waitFor(() => expect(asked("DELETE /api/clients/3")).toHaveLength(1));
  fireEvent.click(screen.getByRole("button", { name: "Bring back" }));
  await waitFor(() => expect(asked("POST /api/properties/9/restore")).toHaveLength(1));
  const removal = { id: 4, propertyId: null, kind: "removal", title: "Removing", state: "running", done: 0, total: 9 };
  serve("DELETE /api/removed/property/9", removal);
  serve("GET /api/jobs", [{ ...removal, state: "done", note: "Removed for good." }]);
  fireEvent.click(screen.getByRole("button", { name: "Remove for good" }));
  const sure = within(await screen.findByRole("dialog", { name: "Remove Old shop for good" }));
  expect(asked("DELETE /api/removed/property/9"), "it is asked first").toHaveLength(0);
  fireEvent.click(sure.getByRole("button", { name: "Remove for good" }));
  await waitFor(() => expect(asked("DELETE /api/removed/property/9")).toHaveLength(1));
  serve("GET /api/removed", []);
  expect(await screen.findByText("Removed for good.")).toBeTruthy();
});

it("makes backups, and puts one back at the next start unless that is taken back", async () => {
  const { container } = show(<Portfolio />, "/");
  expect((await screen.findByRole("link", { name: "25 Nov 2026" })).getAttribute("href")).toBe(
    "/api/backups/2026-11-25.zip",
  );
  expect(screen.getByRole("link", { name: "Back up everything" }).getAttribute("href")).toBe("/api/backup.zip");
  expect(screen.getByRole("link", { name: "Back up" }).getAttribute("href")).toBe("/api/clients/3/backup.zip");
  serve("POST /api/backups/restore", { restoreWaiting: true, days: [] });
  await userEvent.upload(
    container.querySelector("input[type=file]") as HTMLInputElement,
    new File(["x"], "all.zip", { type: "application/zip" }),
  );
  expect((await screen.findByRole("status")).textContent).toContain("when Lucid Sweep starts the next time");
  serve("DELETE /api/backups/restore", { restoreWaiting: false, days: [] });
  fireEvent.click(screen.getByRole("button", { name: "Do not put it back" }));
  await waitFor(() => expect(screen.queryByRole("status")).toBeNull());
});

it("adds the clients of a backup, or says why not", async () => {
  serve("POST /api/backups/add", new Problem(400, "This file is none."));
  const { container } = show(<Portfolio />, "/");
  await screen.findByRole("button", { name: "Add the clients of a backup" });
  const file = new File(["x"], "all.zip", { type: "application/zip" });
  const input = [...container.querySelectorAll("input[type=file]")].at(-1) as HTMLInputElement;
  await userEvent.upload(input, file);
  expect((await screen.findByRole("alert")).textContent).toBe("This file is none.");
  const job = { id: 3, propertyId: null, kind: "clients", title: "Adding", state: "running", done: 0, total: 0 };
  serve("POST /api/backups/add", job);
  serve("GET /api/jobs", [{ ...job, state: "done", note: "Added: Skerry Ropeworks." }]);
  await userEvent.upload(input, file);
  expect(await screen.findByText("Added: Skerry Ropeworks.")).toBeTruthy();
  expect(screen.queryByText("This file is none.")).toBeNull();
});

it("sends the week of a client by itself, says why it could not, and stops", async () => {
  const path = "/api/clients/3/digest/schedule";
  const planned = {
    to: "ines@bay.example",
    schedule: { every: "WEEK", nextDay: "2026-12-05" },
    problem: "The mail server did not take it: full",
  };
  serve(`GET ${path}`, { planned: null });
  serve(`PUT ${path}`, () => {
    serve(`GET ${path}`, { planned });
    return { planned };
  });
  serve(`DELETE ${path}`, { planned: null });
  show(<Portfolio />, "/");
  fireEvent.click(await screen.findByRole("button", { name: "Send the week" }));
  fireEvent.change(await screen.findByLabelText("To *"), { target: { value: "ines@bay.example" } });
  fireEvent.change(screen.getByLabelText("When"), { target: { value: "WEEK" } });
  fireEvent.click(screen.getByRole("button", { name: "Send" }));
  expect((await screen.findByRole("alert")).textContent).toContain("The mail server did not take it: full");
  expect(screen.getByText(/Goes to ines@bay.example every week, next on 5 Dec 2026/)).toBeTruthy();
  expect(asked(`PUT ${path}`)[0].body).toMatchObject({ to: "ines@bay.example", schedule: { every: "WEEK" } });
  fireEvent.click(screen.getByRole("button", { name: "Stop sending" }));
  await waitFor(() => expect(screen.queryByText(/Goes to/)).toBeNull());
  expect(asked(`DELETE ${path}`)).toHaveLength(1);
});

it("says how to begin where there is nothing, and what went wrong where there is no answer", async () => {
  serve("GET /api/clients", []);
  const { unmount } = show(<Portfolio />, "/");
  serve("POST /api/sweeps", { id: 1, propertyId: 7 });
  fireEvent.change(await screen.findByLabelText("Address of a website"), { target: { value: "tarrin.example" } });
  fireEvent.click(screen.getByRole("button", { name: "Sweep it" }));
  await waitFor(() => expect(place).toBe("/p/7/gather"));
  expect(asked("POST /api/sweeps")[0].body).toEqual({ address: "tarrin.example" });
  unmount();
  serve("GET /api/clients", () => {
    throw new TypeError("connection refused");
  });
  show(<Portfolio />, "/");
  expect(await screen.findByText("Lucid Sweep does not answer. Is it still running?")).toBeTruthy();
});

it("puts first what most needs somebody, or has most at stake, or by name", async () => {
  serve("GET /api/clients", [CLIENT, { ...CLIENT, id: 4, name: "Anchor Bakery" }]);
  const stake = (clicks: number) => ({ stake: { clicks, low: clicks / 2, high: clicks * 2 } });
  serve("GET /api/portfolio", [
    standing(stake(10), { id: 8, name: "Website" }),
    standing(stake(90), { id: 7, name: "Blog" }),
    standing(stake(40), { id: 9, name: "Bread", clientId: 4 }),
  ]);
  serve("GET /api/properties/9/watch/summary", { weeks: [], lastYear: null, due: 40, firstDue: "", moves: 1 });
  show(<Portfolio />, "/");
  const order = () =>
    screen
      .getAllByRole("link", { name: /^(Website|Blog|Bread)$/ })
      .map((link) => link.textContent)
      .join(" ");
  const sort = await screen.findByLabelText("Sort by");
  await waitFor(() => expect(order()).toBe("Bread Blog Website"));
  fireEvent.change(sort, { target: { value: "stake" } });
  expect(order()).toBe("Blog Website Bread");
  fireEvent.change(sort, { target: { value: "name" } });
  expect(order()).toBe("Bread Blog Website");
});
