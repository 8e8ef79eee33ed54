import { Button, Modal } from "@mantine/core";
import type { Conflict } from "../api/client";
import css from "./ConflictDialog.module.css";
import { of, pathOf } from "./number";

interface Props {
  conflicts: Conflict[] | undefined;
  /** What goes on in spite of the changes, such as "Overwrite with mine". */
  insist: string;
  onInsist: () => void;
  onClose: () => void;
}

/** Texts that somebody changed since they were looked at: both sides, and the choice what is to stand. */
export function ConflictDialog({ conflicts, insist, onInsist, onClose }: Props) {
  return (
    <Modal opened={conflicts !== undefined} onClose={onClose} size="lg" title="Changed since you looked">
      <p className={css.lead}>
        {of(conflicts?.length ?? 0, "text")} changed in another tab or by somebody else. Nothing was done yet.
      </p>
      <ul className={css.list}>
        {conflicts?.map((conflict) => (
          <li key={`${conflict.itemId} ${conflict.field}`}>
            <h3>
              {conflict.field} of {pathOf(conflict.address)}
            </h3>
            <dl>
              {conflict.seen !== null && (
                <>
                  <dt>You saw</dt>
                  <dd>{conflict.seen || "none"}</dd>
                </>
              )}
              <dt>There now</dt>
              <dd>{conflict.now || "none"}</dd>
              {conflict.wanted !== null && (
                <>
                  <dt>You wrote</dt>
                  <dd>{conflict.wanted || "none"}</dd>
                </>
              )}
            </dl>
          </li>
        ))}
      </ul>
      <div className={css.buttons}>
        <Button variant="default" onClick={onClose}>
          Leave as it is now
        </Button>
        <Button
          onClick={() => {
            onClose();
            onInsist();
          }}
        >
          {insist}
        </Button>
      </div>
    </Modal>
  );
}
