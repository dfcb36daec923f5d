package choir.area;

import choir.refusal.Refusal;
import java.util.ArrayList;
import java.util.Base64;
import java.util.BitSet;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Which cells of a grid are watched. Immutable; cells are counted in reading order from the upper left. */
public final class CellMask {
    private final CellGrid grid;
    private final BitSet cells;

    private CellMask(CellGrid grid, BitSet cells) {
        this.grid = grid;
        this.cells = cells;
    }

    public static CellMask none(CellGrid grid) {
        return new CellMask(grid, new BitSet(grid.cells()));
    }

    public static CellMask all(CellGrid grid) {
        var bits = new BitSet(grid.cells());
        bits.set(0, grid.cells());
        return new CellMask(grid, bits);
    }

    /** Takes a copy of the bits; those outside the grid are refused. */
    public static CellMask of(CellGrid grid, BitSet cells) {
        if (cells.length() > grid.cells()) {
            throw new Refusal("a cell outside the grid " + grid);
        }
        return new CellMask(grid, (BitSet) cells.clone());
    }

    /** One text line a row: {@code #} is watched, {@code .} is not. */
    public static CellMask parse(List<String> rows) {
        if (rows.isEmpty()) {
            throw new Refusal("a cell mask needs at least one row of # and .");
        }
        var grid = new CellGrid(rows.getFirst().length(), rows.size());
        var bits = new BitSet(grid.cells());
        for (int r = 0; r < rows.size(); r++) {
            var row = rows.get(r);
            if (row.length() != grid.columns() || !row.chars().allMatch(c -> c == '#' || c == '.')) {
                throw new Refusal("row " + (r + 1) + " of the cells is \"" + row + "\"; expected " + grid.columns()
                        + " characters, each # or .");
            }
            for (int c = 0; c < row.length(); c++) {
                bits.set(r * grid.columns() + c, row.charAt(c) == '#');
            }
        }
        return new CellMask(grid, bits);
    }

    public CellGrid grid() {
        return grid;
    }

    public boolean watches(int column, int row) {
        return cells.get(row * grid.columns() + column);
    }

    public int count() {
        return cells.cardinality();
    }

    public CellMask union(CellMask other) {
        return combine(other, BitSet::or);
    }

    public CellMask minus(CellMask other) {
        return combine(other, BitSet::andNot);
    }

    /** Watched where this one is not. */
    public CellMask complement() {
        return all(grid).minus(this);
    }

    public CellMask intersection(CellMask other) {
        return combine(other, BitSet::and);
    }

    private CellMask combine(CellMask other, java.util.function.BiConsumer<BitSet, BitSet> act) {
        if (!grid.equals(other.grid)) {
            throw new Refusal("masks on different grids: " + grid + " and " + other.grid);
        }
        var bits = (BitSet) cells.clone();
        act.accept(bits, other.cells);
        return new CellMask(grid, bits);
    }

    public List<String> rows() {
        List<String> rows = new ArrayList<>(grid.rows());
        for (int r = 0; r < grid.rows(); r++) {
            var row = new StringBuilder(grid.columns());
            for (int c = 0; c < grid.columns(); c++) {
                row.append(watches(c, r) ? '#' : '.');
            }
            rows.add(row.toString());
        }
        return List.copyOf(rows);
    }

    /** One bit a cell, most significant first, rows without padding, the last byte filled with zeros. */
    public byte[] bits() {
        var bytes = new byte[bytes(grid)];
        cells.stream().forEach(i -> bytes[i >> 3] |= (byte) (0x80 >> (i & 7)));
        return bytes;
    }

    /** The packed form of the open device standard: the bits run-length coded by PackBits (TIFF 6.0), in base64. */
    public String packed() {
        return Base64.getEncoder().encodeToString(PackBits.pack(bits()));
    }

    /**
     * Reads the packed form. Any valid split into runs and literals is taken, white space too, and a longer tail of
     * zeros.
     *
     * @throws Refusal for a cut-off stream or one of the wrong length
     */
    public static CellMask unpack(CellGrid grid, String packed) {
        var bytes = PackBits.unpack(decoded(packed), bytes(grid));
        var bits = new BitSet(grid.cells());
        for (int i = 0; i < grid.cells(); i++) {
            bits.set(i, (bytes[i >> 3] & (0x80 >> (i & 7))) != 0);
        }
        return new CellMask(grid, bits);
    }

    private static byte[] decoded(String packed) {
        try {
            return Base64.getMimeDecoder().decode(packed);
        } catch (IllegalArgumentException e) {
            throw new Refusal("cells that are not in base64: " + e.getMessage());
        }
    }

    private static int bytes(CellGrid grid) {
        return (grid.cells() + 7) / 8;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof CellMask mask && grid.equals(mask.grid) && cells.equals(mask.cells);
    }

    @Override
    public int hashCode() {
        return 31 * grid.hashCode() + cells.hashCode();
    }

    @Override
    public String toString() {
        return count() + " of " + grid.cells() + " cells (" + grid + ")";
    }
}
