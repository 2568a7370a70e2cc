import { reactRouter } from "@react-router/dev/vite";
import { defineConfig } from "vite";

const LIBRARY = /node_modules[\\/](?!echarts|zrender|culori|papaparse)/;
/** Forms come with the first screen that has one, not before the first card. */
const LATER =
  /@mui[\\/]material[\\/](TextField|Select|NativeSelect|Menu|List|Popover|Input|FilledInput|OutlinedInput|Form|Checkbox|Slider|Switch|ToggleButton)|react-hook-form/;
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
                { name: "fields", test: LIBRARY, minShareCount: SHARED_BY },
                { name: "house", test: /[\\/](app|core)[\\/]/, minShareCount: SHARED_BY },
              ],
            },
          },
        },
      },
    },
  },
});
