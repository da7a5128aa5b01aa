import type { Answer, Schemas } from "../../api/client";
import { sendFile } from "../../api/upload";
import { type Parcel, refused } from "../../ui/upload/useUploads";
import { asWebP, startOf } from "./film";
import { say } from "../../words";

const AT = "/api/pictures";
type Uploaded = Schemas["Uploaded"];

/** Sends a picture, or a film behind a picture of its beginning, to a product or to the shop. */
export async function sendPicture(product: string | undefined, parcel: Parcel): Promise<Answer<Uploaded>> {
  const { file, replaces, tell, signal } = parcel;
  const query = (more: Record<string, string>): string =>
    new URLSearchParams({ ...(product === undefined ? {} : { product }), ...more }).toString();
  const picture = (name: string, body: Blob): Promise<Answer<Uploaded>> => {
    const more = { name, ...(replaces === undefined ? {} : { replaces: String(replaces) }) };
    return sendFile("POST", `${AT}?${query(more)}`, body, tell, signal);
  };
  if (/^video\/|\.(mp4|webm)$/i.test(file.type || file.name)) {
    const start = await startOf(file);
    if (!start) return refused(file, say("send-picture-browser-cant-show-take"));
    const { data, error } = await picture(file.name.replace(/\.\w+$/, ".webp"), start.poster);
    if (!data) return { error };
    const size = query({ name: file.name, width: String(start.width), height: String(start.height) });
    const kept = await sendFile("PUT", `${AT}/${data.id}/film?${size}`, file, tell, signal);
    return kept.error ? { error: kept.error } : { data };
  }
  return sendAsPicture(file, picture);
}

/** Sends a file that the server reads as a picture, as it is or made into one that it reads. */
export async function sendAsPicture<T>(
  file: File,
  send: (name: string, body: Blob) => Promise<Answer<T>>,
): Promise<Answer<T>> {
  if (!/\.avif$/i.test(file.name) && file.type !== "image/avif") return send(file.name, file);
  const body = await asWebP(file);
  return body ? send(file.name.replace(/\.avif$/i, ".webp"), body) : refused(file, say("send-picture-damaged"));
}
