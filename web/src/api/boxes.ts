import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, client, type Schemas } from "./client";
import { keys } from "./keys";

/** What a list of plants that came together is read as. */
export const useBoxPreview = (body: Schemas["BoxInputBody"]) =>
  useQuery({
    queryKey: keys.box(body),
    queryFn: () => answer(client.POST("/api/box", { body })),
    placeholderData: keepPreviousData,
    enabled: body.text.trim() !== "",
  });
