package choir.area;

/**
 * Two masks of one grid compared by cells.
 *
 * @param lost cells that ought to be watched and are not
 * @param gained cells that are watched and ought not to be
 * @param overlap intersection over union, 0 to 1; two empty masks overlap fully
 */
public record MaskDifference(int lost, int gained, double overlap) {
    public static MaskDifference between(CellMask desired, CellMask observed) {
        int union = desired.union(observed).count();
        return new MaskDifference(
                desired.minus(observed).count(),
                observed.minus(desired).count(),
                union == 0 ? 1 : (double) desired.intersection(observed).count() / union);
    }
}
