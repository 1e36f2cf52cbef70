import { useState } from "react";

/** Whether a dialog is open; undefined until it is asked for, so that it is fetched only then. */
export const useAsking = () => useState<boolean>();
