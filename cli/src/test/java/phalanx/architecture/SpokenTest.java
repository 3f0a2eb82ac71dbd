package phalanx.architecture;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Modifier;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import phalanx.project.Project;
import phalanx.righthand.PatternLibrary;
import phalanx.technique.Groove;
import phalanx.technique.Grooves;

/** What is said stands in the bundles, in every language, and nowhere else. */
class SpokenTest {
    private static final Path ROOT = Path.of("..");
    private static final List<String> MODULES = List.of("core", "formats", "sound", "desktop", "cli");

    private static final Pattern SENTENCE = Pattern.compile("(?s).*[A-Za-z]{2,} +[A-Za-z]{2,}.*");
    private static final Pattern QUERY = Pattern.compile("(?s)(SELECT|INSERT|UPDATE|ALTER|CREATE|PRAGMA)\\b.*");
    private static final Pattern BUNDLE = Pattern.compile("\\$\\{bundle:(.+)}");

    /** How the compiler marks the constants of an enum. */
    private static final Set<Modifier> CONSTANT = Set.of(Modifier.PUBLIC, Modifier.STATIC, Modifier.FINAL);

    /** Faults of ours that no player meets unless Phalanx is broken. */
    private static final Set<String> FAULTS = Set.of("IllegalStateException", "MissingResourceException");

    /** Classes whose texts are not said: what stands in files that travel, tables that are shipped, names of fonts. */
    private static final Set<String> NOT_SAID = Set.of(
            // our text tablature, ABC and marks of MusicXML, which are read back
            "TabWriter",
            "TabTimes",
            "AbcWriter",
            "FormReader",
            "ProjectVersions",
            "PatternText",
            // names of files and patterns by which they are asked for; what the system says
            "PickingOptions",
            "SafeFile",
            "ErrorReport",
            // shipped tables speak to who changes them; this one stands under all words
            "StringTable",
            "Words",
            // titles of demo songs, steps of the tool that takes pictures, fonts
            "Demo",
            "Shots",
            "Fonts",
            "Pens",
            "Face",
            // a pattern to begin with, in the words of patterns
            "PickingStation");

    private static final Map<String, Properties> ENGLISH = new TreeMap<>();
    private static final Map<String, Properties> ITALIAN = new TreeMap<>();
    private static final Map<String, List<CompilationUnitTree>> SOURCES = new TreeMap<>();

    @BeforeAll
    static void read() throws IOException {
        for (String module : MODULES) {
            Path words = ROOT.resolve(module).resolve("src/main/resources/phalanx/words");
            ENGLISH.put(module, properties(words.resolve(module + ".properties")));
            ITALIAN.put(module, properties(words.resolve(module + "_it.properties")));
            SOURCES.put(module, sources(ROOT.resolve(module).resolve("src/main/java")));
        }
    }

    private static Properties properties(Path file) throws IOException {
        Properties properties = new Properties();
        try (var reader = Files.newBufferedReader(file)) {
            properties.load(reader);
        }
        return properties;
    }

    private static List<CompilationUnitTree> sources(Path folder) throws IOException {
        List<Path> files;
        try (Stream<Path> all = Files.walk(folder)) {
            files = all.filter(file -> file.toString().endsWith(".java")).toList();
        }
        var compiler = ToolProvider.getSystemJavaCompiler();
        var manager = compiler.getStandardFileManager(null, null, null);
        JavacTask task = (JavacTask)
                compiler.getTask(null, manager, null, null, null, manager.getJavaFileObjectsFromPaths(files));
        List<CompilationUnitTree> units = new ArrayList<>();
        task.parse().forEach(units::add);
        return units;
    }

    private static String name(CompilationUnitTree unit) {
        return Path.of(unit.getSourceFile().toUri()).getFileName().toString().replace(".java", "");
    }

    @Test
    void eachLanguageSaysTheSameSentencesWithTheSameValues() {
        for (String module : MODULES) {
            Properties english = ENGLISH.get(module);
            Properties italian = ITALIAN.get(module);
            Set<String> keys = new TreeSet<>(italian.stringPropertyNames());
            keys.removeIf(key -> key.startsWith("Shipped."));
            assertThat(keys).as(module).isEqualTo(english.stringPropertyNames());
            for (String key : english.stringPropertyNames()) {
                String one = english.getProperty(key);
                String other = italian.getProperty(key);
                assertThat(all(other, "\\{\\d}")).as(key).isEqualTo(all(one, "\\{\\d}"));
                assertThat(inOrder(other)).as(key).isEqualTo(inOrder(one));
                assertThat(other.startsWith(" ")).as(key).isEqualTo(one.startsWith(" "));
                assertThat(other.endsWith(" ")).as(key).isEqualTo(one.endsWith(" "));
                assertThat(other).as(key).isNotBlank();
            }
        }
    }

    /** What is shipped is English by itself; another language names it by that. */
    @Test
    void everyShippedPatternAndGrooveIsNamedInEachLanguage() {
        Stream<String> patterns = PatternLibrary.standard().all().stream()
                .flatMap(pattern -> Stream.of(pattern.family(), pattern.serves()));
        Stream<String> others =
                Stream.concat(Grooves.shipped().all().stream().map(Groove::name), Stream.of(Project.FIRST));
        Set<String> keys = Stream.concat(patterns, others)
                .map(words -> "Shipped." + words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-"))
                .collect(Collectors.toCollection(TreeSet::new));
        Set<String> italian = new TreeSet<>(ITALIAN.get("core").stringPropertyNames());
        italian.removeIf(key -> !key.startsWith("Shipped."));
        assertThat(italian).isEqualTo(keys);
    }

    private static Set<String> all(String text, String pattern) {
        Set<String> found = new TreeSet<>();
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        while (matcher.find()) {
            found.add(matcher.group());
        }
        return found;
    }

    /** The places of a format, in order: a formatter takes its values one after another. */
    private static List<String> inOrder(String text) {
        List<String> found = new ArrayList<>();
        Matcher matcher = Pattern.compile("%[-+0-9.]*[a-z%]").matcher(text);
        while (matcher.find()) {
            found.add(matcher.group());
        }
        return found;
    }

    /** A key stands in one module alone: bundles of all of them are asked in turn. */
    @Test
    void everyKeyThatIsAskedForIsThereAndEveryOneThatIsThereIsAskedFor() {
        Set<String> known = new TreeSet<>();
        for (String module : MODULES) {
            for (String key : ENGLISH.get(module).stringPropertyNames()) {
                assertThat(known.add(key)).as(key + " twice").isTrue();
            }
        }
        Set<String> asked = new TreeSet<>();
        Set<String> begun = new TreeSet<>();
        for (String module : MODULES) {
            Set<String> here = new TreeSet<>();
            SOURCES.get(module).stream()
                    .filter(unit -> !name(unit).equals("Words"))
                    .forEach(unit -> new Keys(here, begun).scan(unit, null));
            assertThat(ENGLISH.get(module).stringPropertyNames()).as(module).containsAll(here);
            asked.addAll(here);
        }
        known.removeAll(asked);
        known.removeIf(key -> begun.stream().anyMatch(key::startsWith));
        // what the library of the command line says by itself
        known.removeIf(key -> key.startsWith("mixinStandardHelpOptions.") || key.startsWith("usage."));
        assertThat(known).as("said nowhere").isEmpty();
    }

    @Test
    void noSentenceIsLeftInTheCode() {
        List<String> left = new ArrayList<>();
        for (String module : MODULES) {
            for (CompilationUnitTree unit : SOURCES.get(module)) {
                if (!NOT_SAID.contains(name(unit))) {
                    new Sentences(module + ", " + name(unit) + ": ", left).scan(unit, null);
                }
            }
        }
        assertThat(left).isEmpty();
    }

    /** The keys that code asks for; of those that are put together, their beginnings. */
    private static final class Keys extends TreePathScanner<Void, Void> {
        private final Set<String> asked;
        private final Set<String> begun;

        Keys(Set<String> asked, Set<String> begun) {
            this.asked = asked;
            this.begun = begun;
        }

        @Override
        public Void visitMethodInvocation(MethodInvocationTree call, Void nothing) {
            String method = call.getMethodSelect().toString();
            if (method.equals("wording") || method.equals("Said.of")) {
                Tree key = call.getArguments().get(0);
                if (key instanceof LiteralTree literal) {
                    asked.add((String) literal.getValue());
                } else {
                    begun.add(beginning(key));
                }
            }
            if (method.equals("Words.name")) {
                String argument = call.getArguments().get(0).toString();
                enumAround(argument).ifPresent(this::constants);
            }
            return super.visitMethodInvocation(call, nothing);
        }

        private static String beginning(Tree key) {
            String text = key.toString();
            assertThat(text).startsWith("\"");
            return text.substring(1, text.indexOf('"', 1));
        }

        /** The enum that names itself; another is found in its own file, by its outer class. */
        private Optional<ClassTree> enumAround(String argument) {
            for (TreePath path = getCurrentPath(); path != null; path = path.getParentPath()) {
                if (path.getLeaf() instanceof ClassTree type) {
                    if (argument.equals("this")) {
                        return type.getKind() == Tree.Kind.ENUM ? Optional.of(type) : Optional.empty();
                    }
                    for (Tree member : type.getMembers()) {
                        if (member instanceof ClassTree inner && inner.getKind() == Tree.Kind.ENUM) {
                            String outer = type.getSimpleName() + "." + inner.getSimpleName() + ".";
                            begun.add(outer);
                        }
                    }
                }
            }
            return Optional.empty();
        }

        private void constants(ClassTree type) {
            String outer = "";
            for (TreePath path = getCurrentPath(); path != null; path = path.getParentPath()) {
                if (path.getLeaf() instanceof ClassTree around && around != type) {
                    outer = around.getSimpleName() + "." + outer;
                }
            }
            for (Tree member : type.getMembers()) {
                if (member instanceof VariableTree constant
                        && constant.getType()
                                .toString()
                                .equals(type.getSimpleName().toString())
                        && constant.getModifiers().getFlags().equals(CONSTANT)) {
                    asked.add(outer + type.getSimpleName() + "." + constant.getName());
                }
            }
        }

        @Override
        public Void visitLiteral(LiteralTree literal, Void nothing) {
            if (literal.getValue() instanceof String text) {
                Matcher bundle = BUNDLE.matcher(text);
                if (bundle.matches()) {
                    asked.add(bundle.group(1));
                }
            }
            return null;
        }
    }

    /** Texts of two words or more that a player could read. */
    private static final class Sentences extends TreePathScanner<Void, Void> {
        private final String where;
        private final List<String> left;

        Sentences(String where, List<String> left) {
            this.where = where;
            this.left = left;
        }

        @Override
        public Void visitLiteral(LiteralTree literal, Void nothing) {
            if (literal.getValue() instanceof String text
                    && SENTENCE.matcher(text).matches()
                    && !QUERY.matcher(text).matches()
                    && !isWordOfFiles(literal)) {
                left.add(where + text);
            }
            return null;
        }

        /** Faults of ours, labels of cases, and the word by which files and commands name a constant. */
        private boolean isWordOfFiles(LiteralTree literal) {
            Tree child = literal;
            for (TreePath path = getCurrentPath().getParentPath(); path != null; path = path.getParentPath()) {
                Tree tree = path.getLeaf();
                if (tree instanceof CaseTree || tree instanceof AnnotationTree) {
                    return tree instanceof CaseTree one && one.getExpressions().contains(child);
                }
                if (tree instanceof NewClassTree made) {
                    return FAULTS.contains(made.getIdentifier().toString()) || isConstant(path);
                }
                if (tree instanceof MethodInvocationTree) {
                    return false;
                }
                child = tree;
            }
            return false;
        }

        private static boolean isConstant(TreePath made) {
            return made.getParentPath().getLeaf() instanceof VariableTree
                    && made.getParentPath().getParentPath().getLeaf() instanceof ClassTree type
                    && type.getKind() == Tree.Kind.ENUM;
        }
    }

    /** Every language that can be chosen has its help, with the same places and keys. */
    @Test
    void theHelpIsThereInEachLanguage() throws IOException {
        Path folder = ROOT.resolve("desktop/src/main/resources");
        List<String> english = help(folder, ENGLISH);
        List<String> italian = help(folder, ITALIAN);
        assertThat(italian).hasSameSizeAs(english);
        for (int i = 0; i < english.size(); i++) {
            assertThat(italian.get(i).contains(" | ")).isEqualTo(english.get(i).contains(" | "));
            assertThat(italian.get(i).startsWith("[")).isEqualTo(english.get(i).startsWith("["));
        }
        List<String> stations = Arrays.stream(phalanxStations())
                .map(station -> ITALIAN.get("desktop").getProperty("Station." + station))
                .toList();
        assertThat(italian.stream()
                        .filter(line -> line.startsWith("["))
                        .map(line -> line.substring(1, line.length() - 1)))
                .containsExactlyInAnyOrderElementsOf(Stream.concat(
                                Stream.of(ITALIAN.get("desktop").getProperty("HelpText.everywhere")), stations.stream())
                        .toList());
    }

    private static String[] phalanxStations() {
        return ENGLISH.get("desktop").stringPropertyNames().stream()
                .filter(key -> key.startsWith("Station."))
                .map(key -> key.substring("Station.".length()))
                .filter(key -> key.equals(key.toUpperCase(Locale.ROOT)))
                .toArray(String[]::new);
    }

    private static List<String> help(Path folder, Map<String, Properties> words) throws IOException {
        return Files.readAllLines(
                folder.resolve(words.get("desktop").getProperty("HelpText.file").substring(1)));
    }
}
