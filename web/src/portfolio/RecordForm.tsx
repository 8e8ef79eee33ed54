import { Button, Modal } from "@mantine/core";
import type { ReactNode } from "react";
import css from "./Portfolio.module.css";
import { useClientChange } from "./useClientChange";

interface Props {
  /** what the form is about, such as "client" */
  thing: string;
  /** whether it is there already and can be removed */
  known: boolean;
  complete: boolean;
  onSave: () => Promise<unknown>;
  onRemove: () => Promise<unknown>;
  onClose: () => void;
  children: ReactNode;
}

/** A form in a window that adds or changes something that can be removed and brought back. */
export function RecordForm({ thing, known, complete, onSave, onRemove, onClose, children }: Props) {
  const save = useClientChange(onSave, onClose);
  const remove = useClientChange(onRemove, onClose);
  return (
    <Modal opened onClose={onClose} title={`${known ? "Change the" : "Add a"} ${thing}`}>
      <form
        className={css.form}
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate(undefined);
        }}
      >
        {children}
        <div className={css.buttons}>
          <Button type="submit" loading={save.isPending} disabled={!complete}>
            {known ? "Save" : "Add"}
          </Button>
          {known && (
            <Button variant="subtle" loading={remove.isPending} onClick={() => remove.mutate(undefined)}>
              Remove (can be brought back)
            </Button>
          )}
        </div>
      </form>
    </Modal>
  );
}
