"use client";
import { useMemo } from "react";
import type { Catalogue } from "@/core/material/catalogue";
import type { Stored } from "@/core/stores/events";
import { storesOf } from "@/core/stores/stores";

/** The materials as this household has them. */
export const useCatalogue = (items: readonly Stored[]): Catalogue =>
  useMemo(() => storesOf(items).catalogue, [items]);
