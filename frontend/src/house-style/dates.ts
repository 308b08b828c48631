import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";

/** The facts that say how dates and times are written. */
export type DateFact = "date_long" | "date_short" | "time_style";
export type FormKind = "date" | "time";

/** The forms of dates or times that a language has, each by the example of now. */
export function useForms(kind: FormKind, language: string, zone: string) {
  const query = { kind, language, zone };
  return useQuery({
    queryKey: ["forms", kind, language, zone],
    queryFn: () => result<Schemas["DateFormsOut"]>(api.GET("/api/dates/forms", { params: { query } })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
}

/** The calendars that long dates can be said in, too. */
export function useCalendars(language: string, zone: string) {
  return useQuery({
    queryKey: ["calendars", language, zone],
    queryFn: () =>
      result<Schemas["CalendarsOut"]>(api.GET("/api/dates/calendars", { params: { query: { language, zone } } })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
}

/** What is amiss with a form, and how it writes what tries it; nothing for the language's own. */
export function useCheckedForm(pattern: string, kind: FormKind, language: string, zone: string) {
  return useQuery({
    queryKey: ["form", pattern, kind, language, zone],
    queryFn: () =>
      result<Schemas["DateFormOut"]>(api.POST("/api/dates/check", { body: { pattern, kind, language, zone } })),
    enabled: pattern !== "",
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  }).data;
}
