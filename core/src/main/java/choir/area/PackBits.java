package choir.area;

import choir.refusal.Refusal;
import java.io.ByteArrayOutputStream;
import java.util.Arrays;

/** Run-length coding as in TIFF 6.0, section 9: a header byte, then one byte to repeat or some to copy. */
final class PackBits {
    private static final int LONGEST = 128;

    private PackBits() {}

    static byte[] pack(byte[] bytes) {
        var out = new ByteArrayOutputStream();
        int i = 0;
        while (i < bytes.length) {
            int run = runLength(bytes, i);
            if (run > 1) {
                out.write(1 - run);
                out.write(bytes[i]);
                i += run;
            } else {
                int end = i + 1;
                while (end < bytes.length && end - i < LONGEST && runLength(bytes, end) == 1) {
                    end++;
                }
                out.write(end - i - 1);
                out.write(bytes, i, end - i);
                i = end;
            }
        }
        return out.toByteArray();
    }

    private static int runLength(byte[] bytes, int from) {
        int run = 1;
        while (from + run < bytes.length && run < LONGEST && bytes[from + run] == bytes[from]) {
            run++;
        }
        return run;
    }

    static byte[] unpack(byte[] packed, int length) {
        var out = new byte[length];
        int written = 0;
        int i = 0;
        while (i < packed.length) {
            int header = packed[i++];
            if (header == -128) {
                continue;
            }
            int count = header >= 0 ? header + 1 : 1 - header;
            int read = header >= 0 ? count : 1;
            if (i + read > packed.length) {
                throw new Refusal("the packed cells are cut off at byte " + i);
            }
            for (int k = 0; k < count; k++) {
                byte value = packed[header >= 0 ? i + k : i];
                if (written < length) {
                    out[written] = value;
                } else if (value != 0) {
                    throw new Refusal("the packed cells are longer than the grid");
                }
                written++;
            }
            i += read;
        }
        if (written < length) {
            throw new Refusal("the packed cells end after " + written + " of " + length + " bytes");
        }
        return Arrays.copyOf(out, length);
    }
}
