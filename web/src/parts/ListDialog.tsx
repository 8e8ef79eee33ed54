import { Autocomplete, Button, Modal, NativeSelect } from "@mantine/core";
import { type ReactNode, useState } from "react";
import css from "./ListDialog.module.css";
import { monthInWords, monthsAhead } from "./months";
import { type Listed, useListing } from "./useListing";
import { useReviews } from "./useReviews";

/** Asks for a list and a month, and puts phrases on it. */
export function ListDialog({
  propertyId,
  listed,
  onClose,
}: {
  propertyId: number;
  listed: Listed;
  onClose: (done: boolean) => void;
}) {
  const { last, list, pending } = useListing(propertyId);
  const reviews = useReviews(propertyId);
  const [name, setName] = useState(last?.list ?? "");
  const [month, setMonth] = useState(last?.month ?? "");
  return (
    <Modal opened onClose={() => onClose(false)} title="Put on a review list">
      <form
        className={css.form}
        onSubmit={(event) => {
          event.preventDefault();
          list({ list: name.trim(), month }, listed, () => onClose(true));
        }}
      >
        <Autocomplete
          label="List"
          placeholder="Spring tours"
          data-autofocus
          value={name}
          onChange={setName}
          maxLength={100}
          data={[...new Set(reviews.data?.map((review) => review.list))]}
        />
        <NativeSelect
          label="Look again in"
          value={month}
          onChange={(event) => setMonth(event.currentTarget.value)}
          data={[
            { value: "", label: "no month" },
            ...monthsAhead().map((each) => ({ value: each, label: monthInWords(each) })),
          ]}
        />
        <Button type="submit" disabled={name.trim() === ""} loading={pending}>
          Put on the list
        </Button>
      </form>
    </Modal>
  );
}

/** One key puts a row on the list in use; with shift, or where none is in use, it asks. */
export function useListKey<R>(propertyId: number, listedOf: (row: R) => Listed) {
  const { last, list } = useListing(propertyId);
  const [asking, setAsking] = useState<Listed>();
  const onKey = (key: string, row: R) => {
    if (key === "l" && last) list(last, listedOf(row));
    else if (key === "l" || key === "L") setAsking(listedOf(row));
  };
  const dialog: ReactNode = asking && (
    <ListDialog propertyId={propertyId} listed={asking} onClose={() => setAsking(undefined)} />
  );
  return { onKey, dialog };
}
