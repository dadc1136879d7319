package org.pressboard.desk;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.bulk.Intake;
import org.pressboard.intake.Dialect;
import org.pressboard.words.Words;

/** How a file can be said to be written: what was found or chosen, beside what else there is. */
final class DialectChoices {

    private final @Nullable Dialect read;
    private final Words words;

    DialectChoices(Intake intake, Words words) {
        this.read = intake.survey() == null ? null : intake.survey().dialect();
        this.words = words;
    }

    /** Something to choose. */
    public record Choice(String value, String text, boolean chosen) {
    }

    public List<Choice> encodings() {
        Set<String> all = new LinkedHashSet<>(Dialect.ENCODINGS);
        if (read != null) {
            all.add(read.encoding());
        }
        return all.stream().filter(encoding -> Dialect.canRead(encoding, ','))
                .map(encoding -> new Choice(encoding, words.sayOr("encoding." + encoding, encoding),
                        read != null && read.encoding().equals(encoding))).toList();
    }

    public List<Choice> delimiters() {
        Set<Character> all = new LinkedHashSet<>(Dialect.DELIMITERS);
        if (read != null) {
            all.add(read.delimiter());
        }
        return all.stream().map(delimiter -> new Choice(String.valueOf(delimiter),
                words.sayOr("delimiter." + (int) delimiter, String.valueOf(delimiter)),
                read != null && read.delimiter() == delimiter)).toList();
    }

    /** How the file was read, in a few words. */
    public String sentence() {
        return read == null ? "" : words.say("desk.read-as", words.sayOr("encoding." + read.encoding(), read.encoding()),
                words.sayOr("delimiter." + (int) read.delimiter(), String.valueOf(read.delimiter())));
    }
}
