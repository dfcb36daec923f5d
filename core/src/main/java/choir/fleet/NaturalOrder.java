package choir.fleet;

import java.util.Comparator;

/**
 * Names as people put them in order: numbers within them by how much they are ({@code quay-2} before {@code quay-10}), capital
 * and small letters alike. It is total: only equal texts are equal to it.
 */
public final class NaturalOrder implements Comparator<String> {
    public static final NaturalOrder BY_NAME = new NaturalOrder();

    private NaturalOrder() {}

    @Override
    public int compare(String a, String b) {
        int i = 0;
        int j = 0;
        while (i < a.length() && j < b.length()) {
            int order;
            if (isDigit(a.charAt(i)) && isDigit(b.charAt(j))) {
                int endA = endOfDigits(a, i);
                int endB = endOfDigits(b, j);
                order = byAmount(a, i, endA, b, j, endB);
                i = endA;
                j = endB;
            } else {
                order = Character.compare(folded(a.charAt(i++)), folded(b.charAt(j++)));
            }
            if (order != 0) {
                return order;
            }
        }
        int rest = Integer.compare(a.length() - i, b.length() - j);
        return rest != 0 ? rest : a.compareTo(b);
    }

    /** Without making numbers of them, since they may be of any length. */
    private static int byAmount(String a, int fromA, int endA, String b, int fromB, int endB) {
        int i = withoutZeros(a, fromA, endA);
        int j = withoutZeros(b, fromB, endB);
        int order = Integer.compare(endA - i, endB - j);
        while (order == 0 && i < endA) {
            order = Character.compare(a.charAt(i++), b.charAt(j++));
        }
        return order;
    }

    private static int withoutZeros(String text, int from, int end) {
        int i = from;
        while (i < end && text.charAt(i) == '0') {
            i++;
        }
        return i;
    }

    private static int endOfDigits(String text, int from) {
        int i = from;
        while (i < text.length() && isDigit(text.charAt(i))) {
            i++;
        }
        return i;
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }

    private static char folded(char c) {
        return Character.toLowerCase(Character.toUpperCase(c));
    }
}
