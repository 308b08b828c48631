import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";
import { send } from "../api/upload";

export type Picture = Schemas["PictureOut"];
export type Pictures = Schemas["PicturesOut"];
export type Uploaded = Schemas["UploadOut"];
export type Words = Schemas["PictureChange"];

export function picturesKey(site: string) {
  return ["pictures", site] as const;
}

export function usePictures(site: string, on = true) {
  return useQuery({
    queryKey: picturesKey(site),
    queryFn: () => result<Pictures>(api.GET("/api/sites/{site}/pictures", { params: { path: { site } } })),
    enabled: on,
  });
}

export function upload(site: string, file: File, onProgress: (share: number) => void): Promise<Uploaded> {
  return send<Uploaded>(`/api/sites/${site}/pictures`, file, onProgress);
}

/** Changes to pictures. What a picture says or shows may be part of the draft, so that is read anew as well. */
function usePictureChange<G, R>(site: string, call: (input: G) => Promise<R>) {
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
    result<Picture>(api.PATCH("/api/sites/{site}/pictures/{picture}", { ...at(site, picture), body: words })),
  );
}

export function useReplace(site: string) {
  return usePictureChange(site, ({ picture, file }: { picture: number; file: File }) =>
    send<Picture>(`/api/sites/${site}/pictures/${picture}/content`, file, () => undefined),
  );
}

export function useDelete(site: string) {
  return usePictureChange(site, ({ picture, used }: { picture: number; used: boolean }) =>
    result<undefined>(
      api.DELETE("/api/sites/{site}/pictures/{picture}", { params: { path: { site, picture }, query: { used } } }),
    ),
  );
}

export function useRestorePicture(site: string) {
  return usePictureChange(site, (picture: number) =>
    result<Picture>(api.POST("/api/sites/{site}/pictures/{picture}/restore", at(site, picture))),
  );
}

export function proposedCrop(site: string, picture: number): Promise<number[]> {
  return result<number[]>(api.GET("/api/sites/{site}/pictures/{picture}/crop", at(site, picture)));
}
