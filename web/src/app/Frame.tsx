import { ActionIcon, Modal, Tooltip, useMantineColorScheme } from "@mantine/core";
import { useDisclosure, useDocumentTitle, useHotkeys } from "@mantine/hooks";
import { useRef } from "react";
import { Link, Outlet, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { useServerEvents } from "../api/events";
import { useStanding } from "../api/queries";
import { IconHelp, IconMoon } from "../parts/icons";
import { JobStrip } from "../parts/JobStrip";
import css from "./Frame.module.css";
import { PropertySwitcher } from "./PropertySwitcher";
import { StageRibbon } from "./StageRibbon";

/** Where what is found narrows the table that is shown; elsewhere it is shown at the desk. */
const STAGES_WITH_FIND = ["gather", "rewrite", "release"];
const SIDES_WITH_FIND = [null, "keywords", "homeless", "items", "aimless", "topics", "demand", "tags"];
const STAGES_WITH_HEADING = ["triage", "watch"];

export function Frame() {
  useServerEvents();
  const { propertyId } = useParams();
  const [help, { open, close }] = useDisclosure();
  const scheme = useMantineColorScheme();
  const find = useRef<HTMLInputElement>(null);
  useHotkeys([
    ["/", () => find.current?.focus()],
    ["shift+?", open],
    ["?", open],
  ]);
  return (
    <div className={css.frame}>
      <header className={css.bar}>
        <PropertySwitcher propertyId={propertyId ? Number(propertyId) : undefined} />
        {propertyId ? <RibbonOf propertyId={Number(propertyId)} /> : <span />}
        <div className={css.tools}>
          {propertyId && <Find key={propertyId} input={find} propertyId={propertyId} />}
          <Tooltip label="Light or dark">
            <ActionIcon
              variant="subtle"
              aria-label="Light or dark"
              onClick={() => scheme.setColorScheme(isDark() ? "light" : "dark")}
            >
              <IconMoon size={18} />
            </ActionIcon>
          </Tooltip>
          <Tooltip label="Help (?)">
            <ActionIcon variant="subtle" aria-label="Help" onClick={open}>
              <IconHelp size={18} />
            </ActionIcon>
          </Tooltip>
        </div>
      </header>
      {!propertyId && <title>Lucid Sweep</title>}
      <main className={css.surface}>
        {propertyId ? <StageOf propertyId={Number(propertyId)} /> : <WithoutProperty />}
      </main>
      <Modal opened={help} onClose={close} title="Keyboard shortcuts">
        <dl className={css.keys}>
          {KEYS.map(([key, what]) => (
            <div key={key}>
              <dt>{key}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
      </Modal>
    </div>
  );
}

const KEYS = [
  ["/", "find an item by address or text"],
  ["arrows", "move about in a table; with shift, extend"],
  ["ctrl + arrows", "go to the first or last row or column; with shift, mark up to there"],
  ["Enter, F2", "edit the cell; Enter saves and goes down, with shift up, with ctrl to all that is marked"],
  ["Tab", "save and go right"],
  ["Esc", "leave the cell as it was; clear the selection"],
  ["ctrl + space", "while editing: words to go on with; alt + Enter begins a line"],
  ["ctrl + H", "find and replace"],
  ["space", "select the row; with ctrl, mark the column"],
  ["ctrl + C, X, V", "copy, cut and paste cells, from and to a spreadsheet"],
  ["ctrl + D", "fill down; or drag the corner of what is marked"],
  ["L", "put a keyword or tag on the list in use; with shift, choose the list and a month"],
  ["ctrl + Z, ctrl + Y", "undo, redo the last batch"],
  ["A, S", "approve what is in hand, or send it back with a note (Release)"],
  ["Delete", "discard the drafts; the captured texts are in force again"],
];

function isDark() {
  return document.documentElement.dataset.mantineColorScheme === "dark";
}

function WithoutProperty() {
  return (
    <div className={css.stage}>
      <div className={css.view}>
        <Outlet />
      </div>
      <JobStrip />
    </div>
  );
}

/** The stage, unless there is no such property or the server does not answer. */
function StageOf({ propertyId }: { propertyId: number }) {
  const standing = useStanding(propertyId);
  const stage = useLocation().pathname.split("/")[3] ?? "";
  const name = standing.data?.property.name;
  const heading = `${stage.charAt(0).toUpperCase()}${stage.slice(1)}${name ? `, ${name}` : ""}`;
  useDocumentTitle(`${heading} – Lucid Sweep`);
  if (standing.data || !standing.error) {
    // What is chosen, typed and opened belongs to its property: another one begins anew.
    return (
      <div key={propertyId} className={css.stage}>
        {!STAGES_WITH_HEADING.includes(stage) && <h1 className={css.hidden}>{heading}</h1>}
        <div className={css.view}>
          <Outlet />
        </div>
        {/* At the bottom edge: what comes and goes there moves no row from under the hand. */}
        <JobStrip propertyId={propertyId} />
      </div>
    );
  }
  return (
    <div className={css.problem} role="alert">
      <h1>This cannot be shown</h1>
      <p>{standing.error.message}</p>
      <Link to="/">To all clients and properties</Link>
    </div>
  );
}

function RibbonOf({ propertyId }: { propertyId: number }) {
  const standing = useStanding(propertyId);
  return <StageRibbon propertyId={propertyId} standing={standing.data} />;
}

function Find({ input, propertyId }: { input: React.RefObject<HTMLInputElement | null>; propertyId: string }) {
  const navigate = useNavigate();
  const location = useLocation();
  const [search, setSearch] = useSearchParams();
  const stage = location.pathname.split("/")[3];
  const submit = (event: React.FormEvent) => {
    event.preventDefault();
    const q = input.current?.value.trim() ?? "";
    const found = stage === "aim" ? SIDES_WITH_FIND.includes(search.get("side")) : STAGES_WITH_FIND.includes(stage);
    if (!found || location.pathname.endsWith("/compare")) {
      navigate(`/p/${propertyId}/rewrite?${new URLSearchParams({ q })}`);
      return;
    }
    const next = new URLSearchParams(search);
    if (q) next.set("q", q);
    else next.delete("q");
    setSearch(next);
    input.current?.blur();
  };
  return (
    <form onSubmit={submit} role="search">
      <input
        key={search.get("q")}
        ref={input}
        className={css.find}
        defaultValue={search.get("q") ?? ""}
        placeholder="Find  /"
        aria-label="Find items by address or text"
        onKeyDown={(event) => event.key === "Escape" && event.currentTarget.blur()}
      />
    </form>
  );
}
