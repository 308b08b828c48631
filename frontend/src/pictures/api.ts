import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, given, type Schemas } from "../api/client";
import { send } from "./upload";

export type Picture = Schemas["PictureOut"];
export type Pictures = Schemas["PicturesOut"];
export type Taken = Schemas["PictureTaken"];
export type Words = Schemas["PictureChange"];

export function picturesKey(site: string) {
  return ["pictures", site] as const;
}

export function usePictures(site: string, on = true) {
  return useQuery({
    queryKey: picturesKey(site),
    queryFn: () => given<Pictures>(api.GET("/api/sites/{site}/pictures", { params: { path: { site } } })),
    enabled: on,
  });
}

export function bring(site: string, file: File, onProgress: (share: number) => void): Promise<Taken> {
  return send<Taken>(`/api/sites/${site}/pictures`, file, onProgress);
}

/** Changes to pictures. What a picture says or shows may be part of the draft, so that is read anew as well. */
function usePictureChange<G, R>(site: string, call: (given: G) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSettled: async () => {
      await queries.invalidateQueries({ queryKey: picturesKey(site) });
      await queries.invalidateQueries({ queryKey: ["style", site] });
    },
  });
}

const at = (site: string, picture: number) => ({ params: { path: { site, picture } } });

export function useDescribe(site: string) {
  return usePictureChange(site, ({ picture, words }: { picture: number; words: Words }) =>
    given<Picture>(api.PATCH("/api/sites/{site}/pictures/{picture}", { ...at(site, picture), body: words })),
  );
}

export function useReplace(site: string) {
  return usePictureChange(site, ({ picture, file }: { picture: number; file: File }) =>
    send<Picture>(`/api/sites/${site}/pictures/${picture}/content`, file, () => undefined),
  );
}

export function useDelete(site: string) {
  return usePictureChange(site, ({ picture, used }: { picture: number; used: boolean }) =>
    given<undefined>(
      api.DELETE("/api/sites/{site}/pictures/{picture}", { params: { path: { site, picture }, query: { used } } }),
    ),
  );
}

export function useBringBack(site: string) {
  return usePictureChange(site, (picture: number) =>
    given<Picture>(api.POST("/api/sites/{site}/pictures/{picture}/restore", at(site, picture))),
  );
}

export function proposedCrop(site: string, picture: number): Promise<number[]> {
  return given<number[]>(api.GET("/api/sites/{site}/pictures/{picture}/crop", at(site, picture)));
}
