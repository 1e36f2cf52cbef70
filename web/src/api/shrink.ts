/** The longest side that is kept of a picture, pixels: the server keeps no more of it. */
const longest = 2048;

/** Makes a picture small enough to send from a garden; what cannot be read here is sent as it is. */
export async function shrink(file: Blob): Promise<Blob> {
  try {
    const picture = await createImageBitmap(file, { imageOrientation: "from-image" });
    const scale = Math.min(1, longest / Math.max(picture.width, picture.height));
    const canvas = document.createElement("canvas");
    canvas.width = Math.round(picture.width * scale);
    canvas.height = Math.round(picture.height * scale);
    canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    const small = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/jpeg", 0.9));
    return small && (scale < 1 || small.size < file.size) ? small : file;
  } catch {
    return file;
  }
}
