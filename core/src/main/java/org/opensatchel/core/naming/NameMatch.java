package org.opensatchel.core.naming;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Phrase;

/**
 * One name held against one pattern. All ways through the pattern are walked at once, so that the cost is the product of
 * the two lengths and never more; the nearest right name comes from the cheapest alignment of the two.
 */
final class NameMatch {

    /** Longer names than any file system takes are told where they differ, but get no proposal. */
    private static final int LONGEST_ALIGNED = 400;
    private static final int DEAR = 1 << 20;
    private static final int EDIT = 2;
    private static final int CASE_EDIT = 1;

    private enum Move {
        NONE, TAKE, LOOP, SKIP, PUT, DROP
    }

    private final List<NameStep> steps;
    private final int[] name;

    NameMatch(List<NameStep> steps, int[] name) {
        this.steps = steps;
        this.name = name;
    }

    NameVerdict result() {
        BitSet states = new BitSet(steps.size() + 1);
        states.set(0);
        skipLoops(states);
        for (int i = 0; i < name.length; i++) {
            BitSet next = after(states, name[i]);
            if (next.isEmpty()) {
                return new NameVerdict.Differs(i, expected(states), nearest());
            }
            states = next;
        }
        return states.get(steps.size()) ? new NameVerdict.Fits() : new NameVerdict.Differs(name.length, expected(states), nearest());
    }

    private BitSet after(BitSet states, int point) {
        BitSet next = new BitSet(steps.size() + 1);
        for (int j = states.nextSetBit(0); j >= 0 && j < steps.size(); j = states.nextSetBit(j + 1)) {
            if (steps.get(j).takes(point)) {
                next.set(steps.get(j).loops() ? j : j + 1);
            }
        }
        skipLoops(next);
        return next;
    }

    private void skipLoops(BitSet states) {
        for (int j = states.nextSetBit(0); j >= 0 && j < steps.size(); j = states.nextSetBit(j + 1)) {
            if (steps.get(j).loops()) {
                states.set(j + 1);
            }
        }
    }

    private Phrase expected(BitSet states) {
        int last = states.length() - 1;
        return last == steps.size() ? ExpectedWording.END_OF_NAME.say() : steps.get(last).what();
    }

    private Optional<String> nearest() {
        if (name.length > LONGEST_ALIGNED || steps.size() > LONGEST_ALIGNED) {
            return Optional.empty();
        }
        int width = steps.size() + 1;
        int[][] cost = new int[name.length + 1][width];
        Move[][] moves = new Move[name.length + 1][width];
        for (int[] row : cost) {
            Arrays.fill(row, DEAR);
        }
        cost[0][0] = 0;
        moves[0][0] = Move.NONE;
        for (int i = 0; i <= name.length; i++) {
            for (int j = 0; j < width; j++) {
                spread(cost, moves, i, j);
            }
        }
        return cost[name.length][steps.size()] >= DEAR ? Optional.empty() : Optional.of(walkBack(moves));
    }

    private void spread(int[][] cost, Move[][] moves, int i, int j) {
        int here = cost[i][j];
        if (here >= DEAR) {
            return;
        }
        if (i < name.length) {
            offer(cost, moves, i + 1, j, here + EDIT, Move.DROP);
        }
        if (j == steps.size()) {
            return;
        }
        NameStep step = steps.get(j);
        if (step.loops()) {
            if (i < name.length && step.takes(name[i])) {
                offer(cost, moves, i + 1, j, here, Move.LOOP);
            }
            offer(cost, moves, i, j + 1, here, Move.SKIP);
            return;
        }
        if (i < name.length && step.takes(name[i])) {
            offer(cost, moves, i + 1, j + 1, here, Move.TAKE);
        } else if (i < name.length && step.filler() >= 0) {
            boolean onlyCase = Character.toLowerCase(step.filler()) == Character.toLowerCase(name[i]);
            offer(cost, moves, i + 1, j + 1, here + (onlyCase ? CASE_EDIT : EDIT), Move.TAKE);
        }
        if (step.filler() >= 0) {
            offer(cost, moves, i, j + 1, here + EDIT, Move.PUT);
        }
    }

    /** Equal costs go to the move that keeps what the name has, so that {@code v2} becomes {@code v02} and not {@code v20}. */
    private static void offer(int[][] cost, Move[][] moves, int i, int j, int price, Move move) {
        boolean better = price < cost[i][j] || (price == cost[i][j] && moves[i][j].ordinal() > move.ordinal());
        if (better) {
            cost[i][j] = price;
            moves[i][j] = move;
        }
    }

    private String walkBack(Move[][] moves) {
        StringBuilder out = new StringBuilder();
        int i = name.length;
        int j = steps.size();
        while (i > 0 || j > 0) {
            switch (moves[i][j]) {
                case TAKE -> {
                    NameStep step = steps.get(--j);
                    int point = name[--i];
                    prepend(out, step.takes(point) ? point : step.filler());
                }
                case LOOP -> prepend(out, name[--i]);
                case SKIP -> j--;
                case PUT -> {
                    j--;
                    prepend(out, steps.get(j).filler());
                }
                default -> i--;
            }
        }
        return out.toString();
    }

    private static void prepend(StringBuilder out, int point) {
        out.insert(0, Character.toString(point));
    }
}
