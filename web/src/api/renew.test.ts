import { QueryClient, QueryObserver } from "@tanstack/react-query";
import { expect, it } from "vitest";
import { ofProperty } from "./queries";
import { renew } from "./renew";

it("asks once more for what was first asked for before the change and answered after it", async () => {
  const queries = new QueryClient();
  let stored = "before";
  const answers: (() => void)[] = [];
  const topics = new QueryObserver(queries, {
    queryKey: ofProperty(1, "topics"),
    queryFn: () => {
      const read = stored;
      return new Promise<string>((resolve) => answers.push(() => resolve(read)));
    },
  });
  const shown = new Promise<void>((resolve) => {
    topics.subscribe(({ data }) => data === "after" && resolve());
  });
  stored = "after";
  const renewed = renew(queries, ofProperty(1));
  answers[0]();
  await expect.poll(() => answers.length).toBe(2);
  answers[1]();
  await Promise.all([renewed, shown]);
  expect(answers).toHaveLength(2);
});
