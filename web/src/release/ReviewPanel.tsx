import { Button } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { answer, api, type ReviewConflict, type ReviewView, type Selection, upload } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { ChooseFile } from "../parts/ChooseFile";
import { fieldLabel } from "../parts/fields";
import { count, day, of, pathOf } from "../parts/number";
import { saveAnswer } from "../parts/saveAnswer";
import { tell, tellProblem } from "../parts/tell";
import css from "./Release.module.css";

interface Props {
  propertyId: number;
  /** The items whose drafts the client is asked about. */
  selection: Selection;
  /** How many drafts of the property nobody has approved yet. */
  waiting: number;
}

/** Lets the client decide: a sheet goes out as one HTML file, and what was decided comes back as a small one. */
export function ReviewPanel({ propertyId, selection, waiting }: Props) {
  const path = `/api/properties/${propertyId}/review-sheets`;
  const sheets = useQuery({
    queryKey: ofProperty(propertyId, "review-sheets"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/review-sheets", { params: { path: { propertyId } } })),
  });
  const make = useMutation({
    mutationFn: (ending: "html" | "xlsx") =>
      saveAnswer(`${path}/sheet.${ending}`, { selection }, `texts-to-review.${ending}`),
    onSuccess: () => {
      sheets.refetch();
      tell("The sheet is saved. Send the file to your client; it opens without a network.");
    },
    onError: tellProblem,
  });
  const look = useMutation({ mutationFn: (file: File) => upload<ReviewView>(path, file), onError: tellProblem });
  const take = useChange(propertyId, ({ token, insist }: { token: string; insist: boolean }) =>
    answer(
      api.POST("/api/properties/{propertyId}/review-sheets/{token}/take", {
        params: { path: { propertyId, token } },
        body: { insist },
      }),
    ),
  );
  const takeIt = (token: string, insist: boolean) =>
    take.mutateAsync({ token, insist }).then(
      ({ approved, sentBack, reworded }) => {
        tell(`${count(approved)} approved, ${count(sentBack)} sent back, ${count(reworded)} reworded.`);
        look.reset();
      },
      () => undefined,
    );
  const last = sheets.data?.[0];
  return (
    <section className={css.review} aria-label="Ask the client">
      <h3>Ask the client</h3>
      <p className={css.soft}>
        One HTML file with each text before and after: approve, send back, reword, note. It opens from an e-mail, and
        saves a small file to send back.
      </p>
      <div className={css.buttons}>
        <Button
          size="xs"
          variant="default"
          disabled={waiting === 0}
          loading={make.isPending}
          onClick={() => make.mutate("html")}
        >
          Make a review sheet
        </Button>
        <Button
          size="xs"
          variant="default"
          disabled={waiting === 0 || make.isPending}
          onClick={() => make.mutate("xlsx")}
        >
          as XLSX
        </Button>
        <ChooseFile
          size="xs"
          accept=".json,.xlsx"
          label="Open what was decided"
          loading={look.isPending}
          onFile={look.mutate}
        />
      </div>
      {last && !look.data && (
        <p className={css.soft}>
          The last sheet, of {day(last.created)}, has {of(last.texts, "text")}
          {last.taken ? `; what was decided came in on ${day(last.taken)}.` : "; nothing has come back yet."}
        </p>
      )}
      {look.data && <Decided review={look.data} pending={take.isPending} onTake={takeIt} onCancel={look.reset} />}
    </section>
  );
}

function Decided({
  review,
  pending,
  onTake,
  onCancel,
}: {
  review: ReviewView;
  pending: boolean;
  onTake: (token: string, insist: boolean) => void;
  onCancel: () => void;
}) {
  const clear = review.approve + review.sendBack + review.reword;
  const open = review.shown.filter((each) => !each.delivered);
  return (
    <div role="status" className={css.decided}>
      <p>
        <strong>{of(review.approve, "text")}</strong> approved, {count(review.sendBack)} sent back,{" "}
        {count(review.reword)} reworded
        {review.same > 0 && `; ${count(review.same)} decided so already`}
        {review.unknown > 0 && `; ${of(review.unknown, "entry", "entries")} not of this sheet`}.
      </p>
      {review.takenBefore && <p className={css.soft}>This sheet was taken in before, on {day(review.takenBefore)}.</p>}
      {review.conflicts > 0 && (
        <>
          <p>{of(review.conflicts, "text")} changed here since the sheet was made:</p>
          <ul className={css.conflicts}>
            {review.shown.map((each) => (
              <Conflict key={`${each.itemId} ${each.field}`} conflict={each} />
            ))}
          </ul>
        </>
      )}
      <div className={css.buttons}>
        <Button size="xs" disabled={clear === 0} loading={pending} onClick={() => onTake(review.token, false)}>
          {review.conflicts > 0 ? `Take in the other ${count(clear)}` : `Take in ${count(clear)}`}
        </Button>
        {open.length > 0 && (
          <Button size="xs" variant="default" disabled={pending} onClick={() => onTake(review.token, true)}>
            All, as the client decided
          </Button>
        )}
        <Button size="xs" variant="subtle" onClick={onCancel}>
          Cancel
        </Button>
      </div>
    </div>
  );
}

const SAYS: Record<ReviewConflict["decision"], string> = {
  APPROVE: "approved",
  SEND_BACK: "sent back",
  REWORD: "reworded",
};

function Conflict({ conflict }: { conflict: ReviewConflict }) {
  return (
    <li>
      <b>
        {fieldLabel(conflict.field)} of {pathOf(conflict.address)}
      </b>
      {conflict.delivered && " was delivered meanwhile; it stays."}
      <span>
        {SAYS[conflict.decision]}: {conflict.wording ?? conflict.shown}
      </span>
      <span>here now: {conflict.now || "none"}</span>
    </li>
  );
}
