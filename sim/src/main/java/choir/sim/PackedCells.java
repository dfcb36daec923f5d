package choir.sim;

import java.io.ByteArrayOutputStream;
import java.util.Base64;
import java.util.BitSet;

/** The standard's packed form of active cells, written here a second time on purpose. */
final class PackedCells {
    private PackedCells() {}

    static String write(BitSet cells, int count) {
        var bytes = new byte[(count + 7) / 8];
        for (int i = 0; i < count; i++) {
            if (cells.get(i)) {
                bytes[i / 8] |= (byte) (128 >> (i % 8));
            }
        }
        // Literals only: valid, and other than what most writers do.
        var out = new ByteArrayOutputStream();
        for (int i = 0; i < bytes.length; i += 128) {
            int length = Math.min(128, bytes.length - i);
            out.write(length - 1);
            out.write(bytes, i, length);
        }
        return Base64.getEncoder().encodeToString(out.toByteArray());
    }

    static BitSet read(String packed, int count) {
        var in = Base64.getDecoder().decode(packed.strip());
        var bits = new BitSet();
        int bit = 0;
        for (int i = 0; i < in.length; ) {
            int header = in[i++];
            int times = header >= 0 ? header + 1 : header == -128 ? 0 : 1 - header;
            for (int k = 0; k < times; k++) {
                int value = in[header >= 0 ? i++ : i] & 255;
                for (int b = 7; b >= 0; b--, bit++) {
                    bits.set(bit, (value >> b & 1) == 1 && bit < count);
                }
            }
            i += header < 0 && header != -128 ? 1 : 0;
        }
        if (bit < count) {
            throw SimSoapFault.wrongValue("InvalidRule", "ActiveCells is too short");
        }
        return bits;
    }
}
