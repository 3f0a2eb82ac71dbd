package phalanx.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.function.Function;

/** Answers one query, or with {@code -} one for each line of standard input, an object a line. */
final class Queries {
    private final ObjectMapper mapper = new ObjectMapper();
    private final PrintWriter out;

    Queries(PrintWriter out) {
        this.out = out;
    }

    /**
     * Answers as JSON.
     *
     * @param query the query, or {@code -} for standard input
     * @param answer fills an answer or throws {@link IllegalArgumentException} with the reason
     */
    void answer(String query, Function<String, ObjectNode> answer) {
        if (query.equals("-")) {
            answerLines(answer);
            return;
        }
        out.println(answer.apply(query));
    }

    private void answerLines(Function<String, ObjectNode> answer) {
        BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
        try {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                out.println(answerLine(line, answer));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        out.flush();
    }

    private ObjectNode answerLine(String line, Function<String, ObjectNode> answer) {
        try {
            return answer.apply(line.trim());
        } catch (IllegalArgumentException e) {
            return mapper.createObjectNode().put("error", String.valueOf(e.getMessage()));
        }
    }

    static double rounded(double value) {
        return Math.round(value * 100) / 100.0;
    }
}
