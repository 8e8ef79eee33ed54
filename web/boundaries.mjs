// Holds the interface to its folders: a stage imports the shared parts and the API, never another stage.
import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, relative, sep } from "node:path";

const STAGES = ["gather", "aim", "triage", "rewrite", "release", "watch", "portfolio"];
const SHARED = ["parts", "api"];
const faults = [];

function check(file, folder) {
  const text = readFileSync(file, "utf8");
  for (const [, target] of text.matchAll(/from "(\.[^"]+)"/g)) {
    const to = relative("src", join(dirname(file), target)).split(sep)[0];
    if (to === folder) continue;
    const allowed = folder === "app" || SHARED.includes(to);
    const upwards = SHARED.includes(folder) && !SHARED.includes(to);
    if (!allowed || upwards) faults.push(`${file}: ${folder} must not import ${to} (${target})`);
  }
}

for (const folder of readdirSync("src", { withFileTypes: true })) {
  if (!folder.isDirectory()) continue;
  if (![...STAGES, ...SHARED, "app"].includes(folder.name)) faults.push(`src/${folder.name}: no such place`);
  for (const name of readdirSync(join("src", folder.name), { recursive: true })) {
    if (/\.tsx?$/.test(name) && !name.includes(".test.")) check(join("src", folder.name, name), folder.name);
  }
}
if (faults.length > 0) {
  console.error(faults.join("\n"));
  process.exit(1);
}
