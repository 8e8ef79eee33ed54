import { act, renderHook } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { useChoice } from "./choice";
import { duration, of, pathOf } from "./number";

describe("chosen rows", () => {
  it("are those listed, until all are chosen; then all but those listed", () => {
    const { result } = renderHook(() => useChoice());
    act(() => result.current.toggle(3));
    act(() => result.current.add([4, 5]));
    act(() => result.current.toggle(4));
    expect(result.current.count(100)).toBe(2);
    expect(result.current.selection({ q: "tour" })).toEqual({ ids: [3, 5] });
    act(() => result.current.all());
    act(() => result.current.toggle(7));
    expect([result.current.has(3), result.current.has(7)]).toEqual([true, false]);
    expect(result.current.count(100)).toBe(99);
    expect(result.current.selection({ q: "tour" })).toEqual({ filter: { q: "tour" }, except: [7] });
    act(() => result.current.add([7]));
    expect(result.current.count(100)).toBe(100);
    act(() => result.current.none());
    expect(result.current.count(100)).toBe(0);
  });
});

describe("words for numbers", () => {
  it.each([
    [0.2, "1 s"],
    [59, "59 s"],
    [125, "2 min 5 s"],
    [7380, "2 h 3 min"],
  ])("%d seconds are %s", (seconds, words) => expect(duration(seconds)).toBe(words));

  it("counts one and many", () => expect([of(1, "title"), of(1200, "title")]).toEqual(["1 title", "1,200 titles"]));

  it("shows addresses without their host and ids as they are", () =>
    expect([pathOf("https://a.example/b?c"), pathOf("https://a.example"), pathOf("TBK-1")]).toEqual([
      "/b?c",
      "/",
      "TBK-1",
    ]));
});
