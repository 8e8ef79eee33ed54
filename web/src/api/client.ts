import createClient from "openapi-fetch";
import type { components, operations, paths } from "./schema";

/** What the API answers: every part of a record is there, though the description cannot say so; some may be null. */
type Whole<T> = T extends (infer E)[] ? Whole<E>[] : T extends object ? { [K in keyof T]-?: Whole<T[K]> } : T;
type Schemas = components["schemas"];

export type Property = Whole<Schemas["Property"]>;
export type Client = Whole<Schemas["Client"]>;
export type Standing = Whole<Schemas["Standing"]>;
export type ItemRow = Whole<Schemas["ItemRow"]>;
export type Cell = Whole<Schemas["Cell"]>;
export type LimitCheck = Whole<Schemas["LimitCheck"]>;
export type Slice = Whole<Schemas["Slice"]>;
export type Job = Whole<Schemas["Job"]>;
export type Sweep = Whole<Schemas["Sweep"]>;
export type OutcomeCount = Whole<Schemas["OutcomeCount"]>;
export type Visit = Whole<Schemas["Visit"]>;
export type KeywordRow = Whole<Schemas["KeywordRow"]>;
export type KeywordChoices = Whole<Schemas["Choices"]>;
export type TopicRow = Whole<Schemas["TopicRow"]>;
export type RelatedWords = Whole<Schemas["RelatedWords"]>;
export type GridCell = Whole<Schemas["GridCell"]>;
export type GroupView = Whole<Schemas["GroupView"]>;
export type ItemKeyword = Whole<Schemas["ItemKeyword"]>;
export type Review = Whole<Schemas["Review"]>;
export type KeywordFilter = Schemas["KeywordFilter"];
export type KeywordSelection = Schemas["KeywordSelection"];
export type PossibleHome = Whole<Schemas["PossibleHome"]>;
export type BetterRow = Whole<Schemas["BetterRow"]>;
export type AimSummary = Whole<Schemas["AimSummary"]>;
export type PhraseCount = Whole<Schemas["PhraseCount"]>;
export type TagRow = Whole<Schemas["TagRow"]>;
export type CurvePoint = Whole<Schemas["CurvePoint"]>;
export type DemandWindow = Whole<Schemas["DemandWindow"]>;
export type DemandReported = Whole<Schemas["Reported"]>;
export type DemandWeek = Whole<Schemas["Week"]>;
export type DemandRow = Whole<Schemas["DemandRow"]>;
export type Cause = Whole<Schemas["CauseView"]>;
export type FaultCosts = Whole<Schemas["CostsView"]>;
export type FaultCost = Whole<Schemas["CostView"]>;
export type CheckCount = Whole<Schemas["CheckCount"]>;
export type Spot = Whole<Schemas["SpotView"]>;
export type Checklist = Whole<Schemas["ChecklistView"]>;
export type ChecklistLine = Whole<Schemas["LineView"]>;
export type Figures = Whole<Schemas["Figures"]>;
export type SideBySide = Whole<Schemas["SideBySide"]>;
export type PreviewRow = Whole<Schemas["PreviewRow"]>;
export type Batch = Whole<Schemas["Batch"]>;
export type Applied = Whole<Schemas["Applied"]>;
export type Looks = Whole<Schemas["Looks"]>;
export type Appearance = Whole<Schemas["Appearance"]>;
export type Past = Whole<Schemas["Past"]>;
export type Handover = Whole<Schemas["Handover"]>;
export type HandoverView = Whole<Schemas["HandoverView"]>;
export type BeforeAfter = Whole<Schemas["BeforeAfter"]>;
export type DraftedText = Whole<Schemas["DraftedText"]>;
export type WordRun = Whole<Schemas["WordRun"]>;
export type LiveText = Whole<Schemas["LiveText"]>;
export type LiveState = NonNullable<operations["live"]["parameters"]["query"]["state"]>;
export type AcceptanceView = Whole<Schemas["AcceptanceView"]>;
export type ShownShare = Whole<Schemas["ShownShare"]>;
export type ShownResult = Whole<Schemas["ShownResult"]>;
export type CourseSet = Whole<Schemas["Courses"]>;
export type NamedCourse = Whole<Schemas["NamedCourse"]>;
export type CoursePoint = Whole<Schemas["CoursePoint"]>;
export type Mark = Whole<Schemas["Mark"]>;
export type Positions = Whole<Schemas["Positions"]>;
export type MoveRow = Whole<Schemas["MoveRow"]>;
export type EffectRow = Whole<Schemas["EffectRow"]>;
export type Effect = Whole<Schemas["Effect"]>;
export type Due = Whole<Schemas["Due"]>;
export type WatchSummary = Whole<Schemas["WatchSummary"]>;
export type PushView = Whole<Schemas["PushView"]>;
export type PushLine = Whole<Schemas["PushLine"]>;
export type LineState = PushLine["state"];
export type ContentSettings = Whole<Schemas["ContentSettings"]>;
export type JsonTemplate = Whole<Schemas["JsonTemplate"]>;
export type TriedContent = Whole<Schemas["Tried"]>;
export type ImportPlan = Whole<Schemas["ImportPlan"]>;
export type NamedRecipe = Whole<Schemas["NamedRecipe"]>;
export type Condition = Whole<Schemas["Condition"]>;
export type Recipe = Whole<Schemas["Recipe"]>;
export type Part = Whole<Schemas["Part"]>;
export type Source = Whole<Schemas["Source"]>;
export type Removed = Whole<Schemas["Removed"]>;
export type Copies = Whole<Schemas["Copies"]>;
export type Added = Whole<Schemas["Added"]>;
export type Schedule = Whole<Schemas["Schedule"]>;
export type Change = Whole<Schemas["Change"]>;
export type ChangeKind = Change["kind"];
export type CaptureView = Whole<Schemas["CaptureView"]>;
export type ImportTrial = Whole<Schemas["ImportTrial"]>;
export type ReportForm = Schemas["ReportForm"];
export type StandardForm = Schemas["StandardForm"];
export type StandardView = Whole<Schemas["StandardView"]>;
export type StandardCheck = Whole<Schemas["CheckView"]>;
export type Exemption = Whole<Schemas["Exemption"]>;
export type AsideCause = Whole<Schemas["AsideView"]>;
export type FindingLife = Whole<Schemas["LifeView"]>;
export type ItemSet = Whole<Schemas["SetView"]>;
export type SetConditions = Schemas["SetConditions"];
export type StandardDifference = Whole<Schemas["StandardDifference"]>;
export type CrawlSettings = Schemas["CrawlSettings"];
export type EditSpec = Schemas["EditSpec"];
export type HandoverObjection = Whole<Schemas["Objection"]>;
export type ReviewView = Whole<Schemas["ReviewView"]>;
export type ReviewConflict = Whole<Schemas["ReviewConflict"]>;
export type DraftNote = Whole<Schemas["DraftNote"]>;
export type TextBlock = Whole<Schemas["TextBlock"]>;
export type ChannelText = Whole<Schemas["ChannelText"]>;
export type WriterColumn = Whole<Schemas["WriterColumn"]>;
export type WriterCell = Whole<Schemas["CellView"]>;
export type WriterInput = WriterColumn["inputs"][number];
export type CellState = WriterCell["state"];
export type ChangesView = Whole<Schemas["ChangesView"]>;
export type SavedEdit = Whole<Schemas["SavedEdit"]>;
export type SheetView = Whole<Schemas["SheetView"]>;
export type ServiceSettings = Whole<Schemas["ServiceSettings"]>;
export type Selection = Schemas["Selection"];
export type ItemFilter = Schemas["ItemFilter"];
export type TypedCell = Schemas["TypedCell"];
export type CopiedColumn = operations["copy"]["parameters"]["query"]["columns"][number];
export type Field = TypedCell["field"];

export const api = createClient<paths>({ baseUrl: "" });

/** A text that was changed since it was looked at. */
export interface Conflict {
  itemId: number;
  address: string;
  field: string;
  seen: string | null;
  now: string;
  wanted: string | null;
}

/** An error that the server explains in a sentence. */
export class Problem extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly conflicts: Conflict[] = [],
  ) {
    super(message);
  }
}

/** What the server says, as a sentence: with a capital and a full stop. */
function sentence(said: string) {
  const whole = said.charAt(0).toUpperCase() + said.slice(1);
  return /[.!?…”]$/.test(whole) ? whole : `${whole}.`;
}

/** The answer's data, or an error with the server's own words. */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<Whole<T>> {
  let result: { data?: T; error?: unknown; response: Response };
  try {
    result = await call;
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === "AbortError") throw cause;
    throw new Problem("Lucid Sweep does not answer. Is it still running?", 0);
  }
  if (!result.response.ok) {
    const problem = result.error as { detail?: string; conflicts?: Conflict[] } | undefined;
    const said = sentence(problem?.detail ?? `The server answered ${result.response.status}`);
    throw new Problem(said, result.response.status, problem?.conflicts);
  }
  return result.data as Whole<T>;
}

/** Sends a file as a form. */
export async function upload<T>(path: string, file: File): Promise<T> {
  const form = new FormData();
  form.append("file", file);
  const response = await fetch(path, { method: "POST", body: form });
  if (response.ok) return (await response.json()) as T;
  const problem = (await response.json().catch(() => ({}))) as { detail?: string };
  throw new Problem(sentence(problem.detail ?? `The server answered ${response.status}`), response.status);
}
