// Takes the pictures of docs/screenshots from the demo client, freshly loaded:  node e2e/screenshots.mjs
import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { chromium } from "../web/node_modules/playwright-core/index.mjs";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const port = 8610;
const flags =
  "--headless --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync";

const data = mkdtempSync(join(tmpdir(), "lucid-shots-"));
const application = spawn("./start", ["--port", String(port), "--data", data], { cwd: root });
await new Promise((resolve, reject) => {
  application.stdout.on("data", (text) => String(text).includes("The demo client is loaded.") && resolve());
  application.on("exit", () => reject(new Error("./start ended before it was ready")));
});

const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: flags.split(" ") });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme: "light" });

async function show(path, ready) {
  await page.goto(`http://127.0.0.1:${port}${path}`);
  await page.getByText(ready).first().waitFor();
  await page.waitForLoadState("networkidle", { timeout: 1_500 }).catch(() => undefined);
}
const shoot = (name) => page.screenshot({ path: join(root, "docs/screenshots", `${name}.png`) });

await show("/", "Shop listings");
await shoot("portfolio");
await show("/p/1/gather", "/boats/avocet-15-kit/");
await shoot("gather");
await fetch(`http://127.0.0.1:${port + 1}/next-season`, { method: "POST" });
const settings = { maxPages: 2000, maxDepth: 12, connections: 4, delayMs: 0 };
const headers = { "Content-Type": "application/json" };
const swept = await fetch(`http://127.0.0.1:${port}/api/properties/1/sweeps`, {
  method: "POST",
  headers,
  body: JSON.stringify(settings),
});
const { jobId } = await swept.json();
for (let state = "running"; state === "running"; ) {
  await page.waitForTimeout(200);
  state = (await (await fetch(`http://127.0.0.1:${port}/api/jobs/${jobId}`)).json()).state;
}
const sweeps = await (await fetch(`http://127.0.0.1:${port}/api/properties/1/sweeps`)).json();
const [after, before] = sweeps.filter((sweep) => sweep.kind === "crawl").map((sweep) => sweep.id);
await show(`/p/1/gather/compare?before=${before}&after=${after}&kind=CHANGED&field=title`, "unchanged");
await page.getByRole("grid").click({ position: { x: 400, y: 75 } });
await page.getByText("not drafted here").first().waitFor();
await shoot("compare");
await show("/p/1/aim", "keywords");
await page.locator("[data-column=phrase]").getByText("seals saltmeadow").click();
await page.getByText("its item, secondary").waitFor();
await shoot("aim");
await show("/p/1/aim?side=better", "sunrise heron creek");
await page.locator("[data-column=query]").getByText("sunrise heron creek").click();
await page.getByText("What it could bring").waitFor();
await shoot("better-keywords");
await show("/p/1/aim?side=curve", "The click curve");
await page.getByRole("slider").fill("3");
await shoot("click-curve");
await show("/p/1/aim?side=demand&brand=no", "this window");
await page.locator("[data-column=text]").nth(1).click();
await page.getByText("Items shown for it").waitFor();
await shoot("demand");
await show("/p/1/aim?side=places", "combinations");
await page.getByRole("button", { name: /^sea caves otter point/ }).click();
await shoot("places");
await show("/p/2/aim?side=tags", "paddler gift");
await page.locator("[data-column=tag]").nth(1).click();
await page.getByText("By country, in thirteen weeks").waitFor();
await shoot("tags");
await show("/p/1/rewrite?section=%2Fhire%2F&tool=writer", "Preview drafts");
await page.getByText(/^\d+ failed$/).first().click();
await page.locator("[role=gridcell][data-column='writer 1']").first().click();
await page.getByText("Item in hand").first().waitFor();
await shoot("writer");
await show("/p/1/triage", "titles end in the same");
await shoot("triage");
await show("/p/1/triage?view=costs", "description missing");
await shoot("costs");
await show("/p/1/triage?view=checklist", "What is in place");
await page.getByText("Words of the keyword missing").first().waitFor();
await shoot("checklist");
await show("/p/1/triage", "titles end in the same");
await page.getByRole("button", { name: "Report" }).click();
const [report] = await Promise.all([
  page.waitForEvent("download"),
  page.getByRole("button", { name: "Download HTML" }).click(),
]);
await report.saveAs(join(data, "report.html"));
const sheet = await browser.newPage({ viewport: { width: 860, height: 1216 } });
await sheet.goto(`file://${join(data, "report.html")}`);
await sheet.screenshot({ path: join(root, "docs/screenshots/report.png") });
await sheet.close();
await show("/p/1/rewrite?section=%2Ftours%2F", "Sunset tour");
await page.locator("[data-column=title]").nth(3).click();
await page.keyboard.press("F2");
await page.keyboard.type(" by kayak, with a guide and cocoa for all");
await page.getByText(/px over$/).first().waitFor();
await page.getByLabel("What would be found of it").waitFor();
await shoot("desk");
await page.keyboard.press("Escape");
await page.locator("[data-column=title]").nth(2).click();
await page.getByRole("button", { name: "Other wordings" }).first().click();
await page.getByText("Among the results for the keyword").waitFor();
await shoot("wordings");
await show("/p/1/rewrite?field=title&check=common-ending&tool=recipe&on=title", "would change");
await page.getByText("Show at the desk").waitFor();
await page.waitForTimeout(400); // the cells follow the counts
await shoot("recipe");
await page.getByRole("button", { name: /^Draft \d+/ }).click();
await page.getByText(/texts drafted/).waitFor();
await show("/p/1/release", "Sunset tour");
await page.getByLabel("Select all rows").check();
await page.waitForTimeout(400); // the bar rises
await shoot("release");

await browser.close();
application.kill("SIGTERM");
