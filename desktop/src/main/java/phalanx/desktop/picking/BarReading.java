package phalanx.desktop.picking;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.righthand.Counting;
import phalanx.righthand.Digit;
import phalanx.righthand.DigitAssigner;
import phalanx.righthand.PlantingChart;
import phalanx.righthand.Pluck;
import phalanx.righthand.School;
import phalanx.song.Bar;
import phalanx.technique.Attack;

/** What the right hand does in one bar of an arrangement: its moments, where it plants, what other schools would do. */
final class BarReading {
    private final Arrangement arrangement;
    private final Bar bar;
    private final List<ArrangedNote> notes;

    BarReading(Arrangement arrangement, Bar bar) {
        this.arrangement = arrangement;
        this.bar = bar;
        this.notes = arrangement.notes().stream()
                .filter(note -> bar.contains(note.tick()) && note.attack().plucked())
                .toList();
    }

    Bar bar() {
        return bar;
    }

    /** A moment: its tick, what is counted, what the hand does. */
    record Moment(int tick, String motion) {}

    List<Moment> moments() {
        School school = arrangement.request().picking().school();
        TreeMap<Integer, List<ArrangedNote>> byTick = new TreeMap<>();
        notes.forEach(note ->
                byTick.computeIfAbsent(note.tick(), tick -> new ArrayList<>()).add(note));
        List<Moment> moments = new ArrayList<>();
        byTick.forEach((tick, struck) -> {
            boolean brush = struck.stream().anyMatch(note -> note.attack() instanceof Attack.Brush);
            List<Digit> digits = struck.stream().map(ArrangedNote::right).toList();
            boolean up = struck.stream().anyMatch(note -> note.attack().equals(Attack.UPSTROKE));
            String motion = Counting.motion(digits, brush, school);
            moments.add(new Moment(tick, up && digits.size() == 1 ? wording("BarReading.up", motion) : motion));
        });
        return moments;
    }

    /** The digits of a school in this bar, by tick, from the lowest string. */
    TreeMap<Integer, String> digits(School school) {
        List<Pluck> plucks = notes.stream()
                .map(note -> new Pluck(
                        note.tick(),
                        note.string(),
                        note.role() == Role.BASS,
                        Optional.empty(),
                        note.attack() instanceof Attack.Brush && note.role() != Role.BASS))
                .toList();
        boolean own = school == arrangement.request().picking().school();
        List<Digit> digits = own
                ? notes.stream().map(ArrangedNote::right).toList()
                : new DigitAssigner(
                                school,
                                arrangement.request().picking().speeds(),
                                arrangement.song().tempo())
                        .assign(plucks);
        TreeMap<Integer, String> byTick = new TreeMap<>();
        for (int i = 0; i < notes.size(); i++) {
            byTick.merge(notes.get(i).tick(), digits.get(i).symbol(), BarReading::joined);
        }
        return byTick;
    }

    /** Strings of one brush have one digit. */
    private static String joined(String digits, String next) {
        return digits.endsWith(next) ? digits : digits + next;
    }

    List<PlantingChart.Plant> plants(PlantingChart.Manner manner) {
        List<PlantingChart.Played> played = notes.stream()
                .filter(note -> !(note.attack() instanceof Attack.Brush))
                .map(note -> new PlantingChart.Played(
                        note.tick(),
                        note.string(),
                        note.right(),
                        note.role() == Role.MELODY ? note.endTick() : note.tick()))
                .toList();
        return new PlantingChart(manner).plants(played);
    }
}
