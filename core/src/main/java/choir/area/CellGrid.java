package choir.area;

import choir.refusal.Refusal;

/** The cells that a device divides a picture into, at most 1,000,000 of them. */
public record CellGrid(int columns, int rows) {
    public CellGrid {
        if (columns < 1 || rows < 1 || (long) columns * rows > 1_000_000) {
            throw new Refusal(columns + " by " + rows + " is no grid of cells");
        }
    }

    public int cells() {
        return columns * rows;
    }

    @Override
    public String toString() {
        return columns + "x" + rows;
    }
}
