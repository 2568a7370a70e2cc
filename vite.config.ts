import { reactRouter } from "@react-router/dev/vite";
import { defineConfig } from "vite";

const LIBRARY = /node_modules[\\/](?!echarts|zrender|culori|papaparse)/;
/** Forms come with the first screen that has one, not before the first card. */
const LATER =
  /@mui[\\/]material[\\/](TextField|Select|NativeSelect|Menu|List|Popover|Input|FilledInput|OutlinedInput|Form|Checkbox|Slider|Switch)|react-hook-form|@hookform/;
/** Our own fields stand on those: with them they come later too. */
const FIELDS = /[\\/]app[\\/]ui[\\/](TypedField|PickField|form-fields)/;
/**
 * What belongs to one place comes with that place, into however many pieces its route is cut. A library's own `core` is
 * none of ours; the needle's drawing has sliders, which come later.
 */
const HOUSE = /^(?!.*node_modules).*[\\/](core|app[\\/](?!features[\\/]|frame[\\/]needle[\\/]))/;
const SHARED_BY = 3;

export default defineConfig({
  plugins: [reactRouter()],
  worker: { format: "es" },
  environments: {
    client: {
      build: {
        rolldownOptions: {
          output: {
            // What many screens share comes in few pieces: a hundred small files take longer to ask for than to read.
            codeSplitting: {
              groups: [
                {
                  name: "libraries",
                  test: (id) => LIBRARY.test(id) && !LATER.test(id),
                  minShareCount: SHARED_BY,
                },
                {
                  name: "fields",
                  test: (id) => LIBRARY.test(id) || FIELDS.test(id),
                  minShareCount: SHARED_BY,
                },
                {
                  name: "house",
                  test: (id) => HOUSE.test(id) && !FIELDS.test(id),
                  minShareCount: SHARED_BY,
                },
              ],
            },
          },
        },
      },
    },
  },
});
