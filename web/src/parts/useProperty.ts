import { useParams } from "react-router";
import { useStanding } from "../api/queries";

/** The property in the address of the page; data is there once it was asked. */
export function useProperty() {
  const propertyId = Number(useParams().propertyId);
  const standing = useStanding(propertyId);
  return { propertyId, standing: standing.data, property: standing.data?.property };
}
