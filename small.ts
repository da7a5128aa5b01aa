import { constants } from "node:zlib";
import { compression, defineAlgorithm } from "vite-plugin-compression2";

/** Beside each text that is built it stands compressed, as small as can be; the server sends what a browser takes. */
export const small = compression({
  include: /\.(js|css|html|svg)$/,
  algorithms: [
    defineAlgorithm("gzip", { level: 9 }),
    defineAlgorithm("brotliCompress", { params: { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY } }),
  ],
});
