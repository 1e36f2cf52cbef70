import { FileButton } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { answer, client, type PlantFile, type Schemas } from "../../api/client";
import { Refused } from "../../shell/States";
import { sayCount } from "../words";

interface CaseFileProps {
  file: PlantFile;
  examined: boolean;
  take: (read: Schemas["CaseRead"]) => void;
}

/** One look out and in as an open file; what the file holds becomes answers, not yet a record. */
export function CaseFile({ file, examined, take }: CaseFileProps) {
  const read = useMutation({
    mutationFn: async (picked: File) =>
      answer(
        client.POST("/api/plants/{plant}/case", {
          params: { path: { plant: file.id } },
          body: await picked.text(),
          // The file goes as it is: the server reads it and names what is wrong in it.
          bodySerializer: (text) => text,
          headers: { "Content-Type": "application/json" },
        }),
      ),
    onSuccess: take,
  });
  return (
    <div className="soft small mt-12">
      A case as a file:{" "}
      {examined && (
        <>
          <a className="colour-inherit" href={`/api/plants/${file.id}/case`} download="case.json">
            take the last look out
          </a>
          {" · "}
        </>
      )}
      <FileButton accept="application/json,.json" onChange={(f) => f && read.mutate(f)}>
        {(props) => (
          <button type="button" className="linkbutton" {...props}>
            read one in
          </button>
        )}
      </FileButton>
      {read.data && (
        <span role="status">
          {" "}
          {sayCount(read.data.present.length + read.data.absent.length, "answer")} taken over
          {read.data.other && ", from a plant that grows otherwise"}. Nothing is recorded until you save.
        </span>
      )}
      <Refused error={read.error} />
    </div>
  );
}
