import { ActionIcon, Button, Menu, Modal, TextInput } from "@mantine/core";
import { useState } from "react";
import { answer, api, type Cause } from "../api/client";
import { useChange } from "../api/queries";
import { IconDots } from "../parts/icons";
import { ListDialog } from "../parts/ListDialog";
import { tellWithUndo } from "../parts/tell";
import { filterOf } from "./causeFilter";
import css from "./Triage.module.css";

/** What is said of a cause; what is left out stays as it was. */
interface CauseWords {
  cause: Cause;
  name?: string;
  aside?: boolean;
  reason?: string;
  untilMonth?: string;
}

/** Writes down what is said of a cause: another name, or that it is set aside. */
export function useCauseWords(propertyId: number) {
  return useChange(propertyId, ({ cause, ...words }: CauseWords) => {
    const { field, check, shared, section, trait } = cause;
    return answer(
      api.PUT("/api/properties/{propertyId}/causes/note", {
        params: { path: { propertyId } },
        body: { field, check, shared, section, trait, ...words },
      }),
    );
  });
}

/** What else can be done with a cause. */
export function CauseMenu({ propertyId, cause }: { propertyId: number; cause: Cause }) {
  const [asked, setAsked] = useState<"name" | "aside" | "list">();
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
          <Menu.Item onClick={() => setAsked("list")}>Put on a review list</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      {asked === "name" && <NameForm propertyId={propertyId} cause={cause} onDone={() => setAsked(undefined)} />}
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
  const save = (next: string) => words.mutate({ cause, name: next }, { onSuccess: onDone });
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
          <Button variant="subtle" onClick={() => save("")}>
            Its own sentence
          </Button>
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
          words.mutate(
            { cause, aside: true, reason, untilMonth },
            {
              onSuccess: () => {
                tellWithUndo("The cause was set aside.", () => words.mutate({ cause, aside: false }));
                onDone();
              },
            },
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
