import { ActionIcon, Button, Menu, Modal, TextInput } from "@mantine/core";
import { useState } from "react";
import type { Cause } from "../api/client";
import { IconDots } from "../parts/icons";
import { ListDialog } from "../parts/ListDialog";
import { tellWithUndo } from "../parts/tell";
import { filterOf, partsOf } from "./causeFilter";
import { MergeForm } from "./MergeForm";
import css from "./Triage.module.css";
import { useCauseWords } from "./useCauseWords";

/** What else can be done with a cause. */
export function CauseMenu({ propertyId, cause, all }: { propertyId: number; cause: Cause; all: Cause[] }) {
  const [asked, setAsked] = useState<"name" | "aside" | "list" | "merge">();
  const words = useCauseWords(propertyId);
  const merged = cause.parts.length > 0;
  const takeApart = () => {
    const causes = cause.parts;
    // Not by callbacks of the call: the row is gone by then, and would not hear of them.
    words.mutateAsync({ causes, merged: "" }).then(
      () => tellWithUndo(`“${cause.says}” was taken apart.`, () => words.mutate({ causes, merged: cause.says })),
      () => undefined,
    );
  };
  return (
    <>
      <Menu position="bottom-end" withinPortal>
        <Menu.Target>
          <ActionIcon variant="subtle" aria-label={`More for: ${cause.says}`}>
            <IconDots size={16} />
          </ActionIcon>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={() => setAsked("name")}>Rename</Menu.Item>
          <Menu.Item onClick={() => setAsked("aside")}>Set aside</Menu.Item>
          <Menu.Item onClick={() => setAsked("merge")}>Merge with others</Menu.Item>
          {merged && <Menu.Item onClick={takeApart}>Take apart</Menu.Item>}
          {!merged && <Menu.Item onClick={() => setAsked("list")}>Put on a review list</Menu.Item>}
        </Menu.Dropdown>
      </Menu>
      {asked === "name" && <NameForm propertyId={propertyId} cause={cause} onDone={() => setAsked(undefined)} />}
      {asked === "merge" && (
        <MergeForm propertyId={propertyId} cause={cause} all={all} onDone={() => setAsked(undefined)} />
      )}
      {asked === "list" && (
        <ListDialog
          propertyId={propertyId}
          listed={{ name: cause.says.slice(0, 500), place: `${filterOf(cause)}` }}
          onClose={() => setAsked(undefined)}
        />
      )}
      {asked === "aside" && <AsideForm propertyId={propertyId} cause={cause} onDone={() => setAsked(undefined)} />}
    </>
  );
}

interface FormProps {
  propertyId: number;
  cause: Cause;
  onDone: () => void;
}

function NameForm({ propertyId, cause, onDone }: FormProps) {
  const [name, setName] = useState(cause.says);
  const words = useCauseWords(propertyId);
  const merged = cause.parts.length > 0;
  const save = (next: string) =>
    words.mutate(merged ? { causes: cause.parts, merged: next } : { causes: [cause], name: next }, {
      onSuccess: onDone,
    });
  return (
    <Modal opened onClose={onDone} title="Rename the cause">
      <form
        className={css.words}
        onSubmit={(event) => {
          event.preventDefault();
          save(name);
        }}
      >
        <TextInput
          data-autofocus
          label="Name"
          description="It keeps the name from sweep to sweep."
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <div className={css.buttons}>
          <Button type="submit" disabled={!name.trim()} loading={words.isPending}>
            Rename
          </Button>
          {!merged && (
            <Button variant="subtle" onClick={() => save("")}>
              Its own sentence
            </Button>
          )}
        </div>
      </form>
    </Modal>
  );
}

function AsideForm({ propertyId, cause, onDone }: FormProps) {
  const [reason, setReason] = useState("");
  const [untilMonth, setUntilMonth] = useState("");
  const words = useCauseWords(propertyId);
  return (
    <Modal opened onClose={onDone} title="Set the cause aside">
      <form
        className={css.words}
        onSubmit={(event) => {
          event.preventDefault();
          const causes = partsOf(cause);
          words.mutateAsync({ causes, aside: true, reason, untilMonth }).then(
            () => {
              tellWithUndo("The cause was set aside.", () => words.mutate({ causes, aside: false }));
              onDone();
            },
            () => undefined,
          );
        }}
      >
        <p>{cause.says}</p>
        <TextInput
          data-autofocus
          label="Why"
          value={reason}
          onChange={(event) => setReason(event.currentTarget.value)}
        />
        <TextInput
          type="month"
          label="Until"
          description="It comes back in that month; leave it empty for never."
          value={untilMonth}
          onChange={(event) => setUntilMonth(event.currentTarget.value)}
        />
        <div className={css.buttons}>
          <Button type="submit" disabled={!reason.trim()} loading={words.isPending}>
            Set aside
          </Button>
          <Button variant="subtle" onClick={onDone}>
            Cancel
          </Button>
        </div>
      </form>
    </Modal>
  );
}
