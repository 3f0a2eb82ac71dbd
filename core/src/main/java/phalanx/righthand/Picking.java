package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.song.Moved;
import phalanx.technique.Groove;

/**
 * How the right hand plays a song: the player's choices for the whole of it, and others for stretches.
 *
 * @param school which digits pluck
 * @param place where the hand rests
 * @param speeds how fast it goes
 * @param plan for all that no span covers
 * @param spans plans for stretches, in order, none overlapping another
 */
public record Picking(School school, HandPlace place, Speeds speeds, Plan plan, List<Span> spans) {
    /** Thumb and three, a free hand, pinches and fills around the tune over an alternating bass. */
    public static final Picking PLAIN = new Picking(
            School.THUMB_AND_THREE,
            HandPlace.FREE,
            Speeds.USUAL,
            new Plan(Optional.empty(), BassLine.ALTERNATING, Level.EVEN),
            List.of());

    /**
     * What is played.
     *
     * @param pattern of the fingers and the thumb's rhythm; without one, inner notes fill where the tune leaves room
     * @param bass what the thumb plays
     * @param level how much of the pattern
     * @param strings where the thumb goes between the roots
     * @param groove hits laid over it, if any
     */
    public record Plan(
            Optional<Pattern> pattern, BassLine bass, Level level, BassStrings strings, Optional<Groove> groove) {
        public Plan {
            Objects.requireNonNull(pattern, "pattern");
            Objects.requireNonNull(bass, "bass");
            Objects.requireNonNull(level, "level");
            Objects.requireNonNull(strings, "strings");
            Objects.requireNonNull(groove, "groove");
        }

        /** One without hits but the pattern's own. */
        public Plan(Optional<Pattern> pattern, BassLine bass, Level level, BassStrings strings) {
            this(pattern, bass, level, strings, Optional.empty());
        }

        /** One in which the thumb goes where it lies well. */
        public Plan(Optional<Pattern> pattern, BassLine bass, Level level) {
            this(pattern, bass, level, BassStrings.AS_IT_LIES);
        }

        Plan withLevel(Level newLevel) {
            return new Plan(pattern, bass, newLevel, strings, groove);
        }
    }

    /** A plan for a stretch, from tick to tick, the end not included. */
    public record Span(int startTick, int endTick, Plan plan) {
        public Span {
            Objects.requireNonNull(plan, "plan");
            if (startTick < 0 || endTick <= startTick) {
                throw new IllegalArgumentException(wording("Picking.a-stretch-from-tick-to", startTick, endTick));
            }
        }

        boolean covers(int tick) {
            return tick >= startTick && tick < endTick;
        }
    }

    public Picking {
        Objects.requireNonNull(school, "school");
        Objects.requireNonNull(place, "place");
        Objects.requireNonNull(speeds, "speeds");
        Objects.requireNonNull(plan, "plan");
        spans = List.copyOf(spans);
        for (int i = 1; i < spans.size(); i++) {
            if (spans.get(i).startTick() < spans.get(i - 1).endTick()) {
                throw new IllegalArgumentException(wording(
                        "Picking.stretches-of-patterns-overlap-at", spans.get(i).startTick()));
            }
        }
    }

    /** The same in a song that has other bars: stretches move along, and go with the bars that they stood in. */
    public Picking moved(Moved moved) {
        List<Span> left = spans.stream()
                .flatMap(span -> moved.stretches(span.startTick, span.endTick).stream()
                        .map(stretch -> new Span(stretch.from(), stretch.to(), span.plan)))
                .sorted(Comparator.comparingInt(Span::startTick))
                .toList();
        return new Picking(school, place, speeds, plan, left);
    }

    /** The plan at a tick. */
    public Plan planAt(int tick) {
        return spans.stream()
                .filter(span -> span.covers(tick))
                .map(Span::plan)
                .findFirst()
                .orElse(plan);
    }

    /** Where the plan of a tick begins: the start of its span, else where the last span before it ends. */
    public int planStart(int tick) {
        int start = 0;
        for (Span span : spans) {
            if (span.covers(tick)) {
                return span.startTick();
            }
            start = span.endTick() <= tick ? span.endTick() : start;
        }
        return start;
    }

    public Picking withSchool(School newSchool) {
        return new Picking(newSchool, place, speeds, plan, spans);
    }

    public Picking withPlace(HandPlace newPlace) {
        return new Picking(school, newPlace, speeds, plan, spans);
    }

    public Picking withSpeeds(Speeds newSpeeds) {
        return new Picking(school, place, newSpeeds, plan, spans);
    }

    /** One plan for the whole song. */
    public Picking withPlan(Plan newPlan) {
        return new Picking(school, place, speeds, newPlan, List.of());
    }

    /** One level for the whole song, its stretches too. */
    public Picking withLevel(Level level) {
        return new Picking(
                school,
                place,
                speeds,
                plan.withLevel(level),
                spans.stream()
                        .map(span -> new Span(
                                span.startTick(), span.endTick(), span.plan().withLevel(level)))
                        .toList());
    }

    /** A plan for a stretch as it was before another was laid over it. */
    public Picking back(Span before) {
        List<Span> joined = new ArrayList<>();
        for (Span span : withSpan(before).spans()) {
            Span last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            boolean goesOn = last != null
                    && last.endTick() == span.startTick()
                    && last.plan().equals(span.plan());
            if (goesOn) {
                joined.set(joined.size() - 1, new Span(last.startTick(), span.endTick(), span.plan()));
            } else {
                joined.add(span);
            }
        }
        joined.removeIf(span -> span.covers(before.startTick()) && span.plan().equals(plan));
        return new Picking(school, place, speeds, plan, joined);
    }

    /** Another plan for a stretch; what it covers of others is theirs no more. */
    public Picking withSpan(Span span) {
        List<Span> next = new ArrayList<>();
        for (Span old : spans) {
            if (old.startTick() < span.startTick()) {
                next.add(new Span(old.startTick(), Math.min(old.endTick(), span.startTick()), old.plan()));
            }
            if (old.endTick() > span.endTick()) {
                next.add(new Span(Math.max(old.startTick(), span.endTick()), old.endTick(), old.plan()));
            }
        }
        next.add(span);
        next.sort(Comparator.comparingInt(Span::startTick));
        return new Picking(school, place, speeds, plan, next);
    }
}
