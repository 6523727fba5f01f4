package org.opensatchel.formats.described.learn;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.opensatchel.formats.described.Slot;
import org.opensatchel.formats.described.Slot.Role;
import org.opensatchel.formats.described.Slot.Start;
import org.opensatchel.formats.described.learn.Column.Val;
import org.opensatchel.formats.described.learn.KindLearner.Told;
import org.opensatchel.formats.described.learn.Lead.From;

/** Makes the slots of a kind of what was drafted: orders them, names them, and writes down how their values read. */
final class SlotMaker {

    private final List<Drafted> drafts;
    private final long documents;

    /** @param documents how many documents there are; a place that each has is one of their kind */
    SlotMaker(List<Drafted> drafts, long documents) {
        this.drafts = drafts;
        this.documents = documents;
    }

    /** @param undecided what may be links; told beside the slots */
    Told told(List<Drafted> undecided) {
        List<Drafted> order = new ArrayList<>(drafts);
        order.sort(Comparator.comparing((Drafted one) -> one.role).thenComparing(one -> one.column.where())
                .thenComparing(one -> one.column.when().toString()));
        Map<Drafted, String> ids = new HashMap<>();
        order.forEach(one -> ids.put(one, id(ids.size())));
        Map<String, List<String>> samples = new LinkedHashMap<>();
        List<Slot> slots = new ArrayList<>();
        order.forEach(one -> slots.add(slot(one, ids, samples)));
        List<Slot> open = new ArrayList<>();
        undecided.sort(Comparator.comparing(one -> one.column.where()));
        undecided.forEach(one -> {
            ids.put(one, id(ids.size()));
            open.add(slot(one, ids, samples));
        });
        boolean absolute = drafts.stream().filter(one -> one.role == Role.LINK || one.role == Role.SAME)
                .allMatch(one -> one.column.isAllAbsolute());
        return new Told(slots, open, samples, absolute && !slots.isEmpty());
    }

    private static String id(int number) {
        return number < 26 ? String.valueOf((char) ('a' + number)) : "s" + number;
    }

    private Slot slot(Drafted one, Map<Drafted, String> ids, Map<String, List<String>> samples) {
        Column column = one.column;
        String id = ids.get(one);
        samples.put(id, column.values().stream().map(Val::text).filter(text -> !text.isEmpty()).distinct().limit(3).toList());
        Start starts = one.starts != null ? one.starts
                : one.base != null ? new Start.Base(ids.get(one.base), one.baseWithin) : start(column.way());
        if (one.role == Role.BASE || one.role == Role.FOLDER) {
            starts = start(one.role == Role.BASE ? baseWay(one) : "");
        }
        boolean always = column.values().stream().filter(value -> !value.text().isEmpty()).map(Val::doc).distinct().count() >= documents
                && (one.role == Role.LINK || one.role == Role.SAME || one.role == Role.BASE || one.role == Role.FOLDER);
        List<Slot.Prefix> prefixes = column.prefixes().entrySet().stream()
                .sorted(Comparator.comparing((Map.Entry<String, String> prefix) -> -prefix.getKey().length())
                        .thenComparing(Map.Entry::getKey))
                .map(prefix -> new Slot.Prefix(prefix.getKey(), start(prefix.getValue()))).toList();
        Writings writings = new Writings(column);
        return new Slot(id, column.where(), one.role, new TreeMap<>(column.when()), column.decoding().base64, column.decoding().escapes,
                writings.writing(), writings.backslashes(), Optional.ofNullable(one.of).map(ids::get), one.within, starts, prefixes,
                writings.mark(), new TreeSet<>(column.nothing()), column.blank() > 0, always,
                new Slot.Evidence(column.total(), column.leading(), one.same));
    }

    /** Where the folder of a base starts from: as the joined paths did. */
    private String baseWay(Drafted base) {
        return drafts.stream().filter(one -> one.base == base).map(one -> one.column.way()).findFirst().orElse("");
    }

    private static Start start(String way) {
        int slash = way.indexOf('/');
        if (slash < 0) {
            return new Start.Document();
        }
        return switch (From.valueOf(way.substring(0, slash))) {
            case ROOT -> new Start.Root();
            case FOLDER -> new Start.Folder(way.substring(slash + 1));
            case ANYWHERE -> new Start.Anywhere();
            default -> new Start.Document();
        };
    }
}
