import { Button, Modal, MultiSelect, TextInput } from "@mantine/core";
import { useState } from "react";
import type { Cause } from "../api/client";
import { keyOf, partsOf } from "./causeFilter";
import css from "./Triage.module.css";
import { useCauseWords } from "./useCauseWords";

interface MergeProps {
  propertyId: number;
  cause: Cause;
  all: Cause[];
  onDone: () => void;
}

/** Makes one cause of several, under a name. */
export function MergeForm({ propertyId, cause, all, onDone }: MergeProps) {
  const [chosen, setChosen] = useState<string[]>([]);
  const [name, setName] = useState(cause.says);
  const words = useCauseWords(propertyId);
  const others = new Map(all.filter((each) => each !== cause).map((each) => [keyOf(each) + each.says, each]));
  const merge = () => {
    const causes = [cause, ...chosen.flatMap((key) => others.get(key) ?? [])].flatMap(partsOf);
    words.mutate({ causes, merged: name }, { onSuccess: onDone });
  };
  return (
    <Modal opened onClose={onDone} title="Merge causes" size="lg">
      <form
        className={css.words}
        onSubmit={(event) => {
          event.preventDefault();
          merge();
        }}
      >
        <p>{cause.says}</p>
        <MultiSelect
          data-autofocus
          label="With"
          searchable
          hidePickedOptions
          placeholder={chosen.length > 0 ? undefined : "Choose causes"}
          value={chosen}
          onChange={setChosen}
          data={[...others].map(([value, each]) => ({ value, label: each.says }))}
        />
        <TextInput
          label="Name"
          description="They stay one cause under this name, sweep for sweep; each keeps its own fix."
          maxLength={300}
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <div className={css.buttons}>
          <Button type="submit" disabled={chosen.length === 0 || !name.trim()} loading={words.isPending}>
            Merge
          </Button>
          <Button variant="subtle" onClick={onDone}>
            Cancel
          </Button>
        </div>
      </form>
    </Modal>
  );
}
