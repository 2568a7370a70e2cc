/** The browser's clock, written as the log wants it: with the offset of the place. */
import dayjs from "dayjs";

export const localInstant = (date: Date = new Date()): string => dayjs(date).format("YYYY-MM-DDTHH:mm:ssZ");
