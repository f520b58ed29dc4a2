import { string } from "yup";
import { isDay } from "../../core/offer/days";
import { holds } from "../../core/text/cleanText";

/** Words of so many characters at most, counted as the database counts them; "" when they are not sent. */
export const words = (most: number) =>
  string().trim().test("letters", `At most ${most} characters.`, holds(most)).default("");

/** A day that there is, or "" for none. */
export const optionalDay = () =>
  string()
    .test("day", "Choose a day that there is.", (text = "") => text === "" || isDay(text))
    .default("");

/** A wall-clock time that there is, `YYYY-MM-DDTHH:mm`. */
export const dayAndTime = () =>
  string()
    .required("Choose a date and a time.")
    .test("time", "Choose a date and a time that there are.", (text) => {
      const [day = "", time = ""] = text.split("T");
      return isDay(day) && /^([01]\d|2[0-3]):[0-5]\d$/.test(time);
    });
