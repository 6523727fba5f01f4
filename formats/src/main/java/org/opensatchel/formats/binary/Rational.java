package org.opensatchel.formats.binary;

import java.math.BigInteger;

/** A fraction in its lowest terms, as formats write rates and times: 30000/1001 is no rounded number. Its lower part is above zero. */
public record Rational(long over, long under) implements Comparable<Rational> {

    public static final Rational ZERO = new Rational(0, 1);
    public static final Rational ONE = new Rational(1, 1);

    public Rational {
        if (under <= 0) {
            throw new IllegalArgumentException("a fraction of " + under + " parts");
        }
        long common = gcd(Math.abs(over), under);
        over /= common;
        under /= common;
    }

    /** A whole number. */
    public static Rational of(long whole) {
        return new Rational(whole, 1);
    }

    private static long gcd(long a, long b) {
        return b == 0 ? Math.max(1, a) : gcd(b, a % b);
    }

    /** The sum, as exact as two {@code long} hold it. */
    public Rational plus(Rational other) {
        return exact(big(over).multiply(big(other.under)).add(big(other.over).multiply(big(under))), big(under).multiply(big(other.under)));
    }

    /** The product, as exact as two {@code long} hold it. */
    public Rational times(Rational other) {
        return exact(big(over).multiply(big(other.over)), big(under).multiply(big(other.under)));
    }

    private static BigInteger big(long value) {
        return BigInteger.valueOf(value);
    }

    /** As exact as long numbers hold it: times of hostile files are cut, never wrapped. */
    private static Rational exact(BigInteger over, BigInteger under) {
        BigInteger common = over.gcd(under).max(BigInteger.ONE);
        BigInteger top = over.divide(common);
        BigInteger low = under.divide(common);
        int shift = Math.max(0, Math.max(top.bitLength(), low.bitLength()) - 62);
        return new Rational(top.shiftRight(shift).longValue(), Math.max(1, low.shiftRight(shift).longValue()));
    }

    /** The nearest number a {@code double} has. */
    public double value() {
        return (double) over / under;
    }

    @Override
    public int compareTo(Rational other) {
        return big(over).multiply(big(other.under)).compareTo(big(other.over).multiply(big(under)));
    }

    @Override
    public String toString() {
        return under == 1 ? Long.toString(over) : over + "/" + under;
    }
}
