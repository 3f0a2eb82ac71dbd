package phalanx.cli;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import picocli.CommandLine.MissingParameterException;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.OverwrittenOptionException;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.UnmatchedArgumentException;

/** What the parser of the command line finds wrong, in the player's language: it speaks English only. */
final class UsageWords {
    private static final Set<Class<?>> WHOLE = Set.of(int.class, Integer.class);
    private static final Set<Class<?>> NUMBERS = Set.of(double.class, Double.class);

    private UsageWords() {}

    static String of(ParameterException e) {
        if (e instanceof UnmatchedArgumentException unknown) {
            return unknown(unknown);
        }
        if (e instanceof MissingParameterException missing) {
            return missing.getMissing().stream().map(UsageWords::lacking).collect(Collectors.joining("; "));
        }
        if (e instanceof OverwrittenOptionException twice) {
            return wording("UsageWords.twice", name(twice.getOverwritten()));
        }
        ArgSpec arg = e.getArgSpec();
        if (arg == null || e.getValue() == null) {
            // said by ourselves
            return e.getMessage();
        }
        if (WHOLE.contains(arg.type())) {
            return wording("UsageWords.no-whole-number", name(arg), e.getValue());
        }
        return NUMBERS.contains(arg.type()) ? wording("UsageWords.no-number", name(arg), e.getValue()) : e.getMessage();
    }

    private static String unknown(UnmatchedArgumentException e) {
        String given = String.join(" ", e.getUnmatched());
        List<String> near = e.getSuggestions();
        return near.isEmpty()
                ? wording("UsageWords.not-known", given)
                : wording("UsageWords.not-known-near", given, String.join(", ", near));
    }

    private static String lacking(ArgSpec arg) {
        boolean named = arg instanceof OptionSpec && !arg.required();
        return named ? wording("UsageWords.needs-a-value", name(arg)) : wording("UsageWords.is-missing", name(arg));
    }

    private static String name(ArgSpec arg) {
        return arg instanceof OptionSpec option ? option.longestName() : arg.paramLabel();
    }
}
