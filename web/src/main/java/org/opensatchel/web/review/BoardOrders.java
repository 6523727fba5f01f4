package org.opensatchel.web.review;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.opensatchel.web.course.AssignmentView;
import org.springframework.stereotype.Component;

/**
 * In which order somebody saw the class last: next and previous go along that order. Were the board sorted anew for every student,
 * whoever waives something would jump to another place in it, and meet some students twice and others never.
 */
@Component
class BoardOrders {

    private static final int MOST = 2_000;
    private static final Duration KEPT = Duration.ofMinutes(30);

    private final BoardMaker boards;
    private final Cache<Seen, List<Long>> orders = Caffeine.newBuilder().maximumSize(MOST).expireAfterWrite(KEPT).build();

    BoardOrders(BoardMaker boards) {
        this.boards = boards;
    }

    /** A board as somebody asked for it. */
    private record Seen(long account, long assignment, BoardQuery query) {
        Seen {
            query = query.folded();
        }
    }

    /** Remembers what is shown now. */
    void saw(AssignmentView assignment, long account, Board board) {
        orders.put(new Seen(account, assignment.id(), board.query()),
                board.shown().stream().map(row -> row.student().enrolmentId()).toList());
    }

    /**
     * Where a student stands.
     *
     * @param place from 1; 0 where the board does not show them
     * @param previous the enrolment of the one before
     */
    record Place(int place, int all, Optional<Long> previous, Optional<Long> next) {
        private static Place in(List<Long> order, long enrolment) {
            int at = order.indexOf(enrolment);
            return at < 0 ? new Place(0, order.size(), Optional.empty(), Optional.empty())
                    : new Place(at + 1, order.size(), at == 0 ? Optional.empty() : Optional.of(order.get(at - 1)),
                            at == order.size() - 1 ? Optional.empty() : Optional.of(order.get(at + 1)));
        }
    }

    Place of(AssignmentView assignment, long account, BoardQuery query, long enrolment) {
        Seen seen = new Seen(account, assignment.id(), query);
        Place place = Place.in(Optional.ofNullable(orders.getIfPresent(seen)).orElse(List.of()), enrolment);
        if (place.place() == 0) {
            saw(assignment, account, boards.board(assignment, account, query));
            place = Place.in(orders.get(seen, unknown -> List.of()), enrolment);
        }
        return place;
    }
}
