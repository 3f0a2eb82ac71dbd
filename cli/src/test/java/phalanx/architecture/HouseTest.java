package phalanx.architecture;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Arrays;

/** The house rules: what may know what. */
@AnalyzeClasses(packages = "phalanx", importOptions = ImportOption.DoNotIncludeTests.class)
class HouseTest {
    private static final String[] CORE = {
        "phalanx.words..",
        "phalanx.theory..",
        "phalanx.guitar..",
        "phalanx.song..",
        "phalanx.cost..",
        "phalanx.lefthand..",
        "phalanx.righthand..",
        "phalanx.technique..",
        "phalanx.project..",
        "phalanx.practice..",
        "phalanx.arrange.."
    };

    @ArchTest
    static final ArchRule CORE_KNOWS_ONLY_THE_JDK = classes()
            .that()
            .resideInAnyPackage(CORE)
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(join("java.."));

    @ArchTest
    static final ArchRule CORE_HAS_NO_INTERFACE_AND_NO_DATABASE = noClasses()
            .that()
            .resideInAnyPackage(CORE)
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("java.awt..", "javax..", "javafx..", "java.sql..", "java.net..", "java.nio.file..");

    @ArchTest
    static final ArchRule NOTHING_TALKS_TO_A_NETWORK = noClasses()
            .should()
            .dependOnClassesThat()
            .haveNameMatching("java\\.net\\.(.*Socket.*|.*Connection|http\\..*)|java\\.nio\\.channels\\..*Socket.*");

    @ArchTest
    static final ArchRule FORMATS_KNOW_NO_WINDOW_AND_NO_SOUND = noClasses()
            .that()
            .resideInAPackage("phalanx.formats..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("javafx..", "phalanx.desktop..", "phalanx.sound..", "phalanx.cli..");

    @ArchTest
    static final ArchRule SOUND_KNOWS_THE_CORE_ONLY = noClasses()
            .that()
            .resideInAnyPackage("phalanx.sound..", "phalanx.listening..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("javafx..", "phalanx.desktop..", "phalanx.formats..", "phalanx.cli..");

    @ArchTest
    static final ArchRule NOTHING_KNOWS_THE_COMMAND_LINE = noClasses()
            .that()
            .resideOutsideOfPackage("phalanx.cli..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("phalanx.cli..");

    @ArchTest
    static final ArchRule PACKAGES_OF_THE_CORE_HAVE_NO_CIRCLES =
            slices().matching("phalanx.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule READERS_AND_WRITERS_HAVE_NO_CIRCLES =
            slices().matching("phalanx.(formats.*)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule STAGES_OF_ARRANGING_HAVE_NO_CIRCLES =
            slices().matching("phalanx.arrange.(*)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule STAGES_DO_NOT_KNOW_WHO_LISTS_THEM = noClasses()
            .that()
            .resideInAnyPackage(
                    "phalanx.arrange.demand",
                    "phalanx.arrange.search",
                    "phalanx.arrange.score",
                    "phalanx.arrange.audit")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("phalanx.arrange");

    @ArchTest
    static final ArchRule PRICES_DO_NOT_KNOW_THE_SEARCH = noClasses()
            .that()
            .resideInAnyPackage("phalanx.arrange.score", "phalanx.arrange.audit")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("phalanx.arrange.search");

    @ArchTest
    static final ArchRule SHAPES_DO_NOT_KNOW_THE_TRACK = noClasses()
            .that()
            .resideInAPackage("phalanx.lefthand.shape")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("phalanx.lefthand.track");

    @ArchTest
    static final ArchRule BEANS_OF_THE_EXCHANGE_FORMAT_STAY_BEHIND_ITS_DOOR = noClasses()
            .that()
            .resideOutsideOfPackage("phalanx.formats.musicxml..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("org.audiveris..");

    @ArchTest
    static final ArchRule NO_SOCKETS = noClasses()
            .should()
            .dependOnClassesThat(new DescribedPredicate<JavaClass>("sockets or HTTP") {
                @Override
                public boolean test(JavaClass type) {
                    return type.getName().startsWith("java.net.")
                            && !type.getName().equals("java.net.URL")
                            && !type.getName().equals("java.net.URI");
                }
            });

    private static String[] join(String more) {
        String[] all = Arrays.copyOf(CORE, CORE.length + 1);
        all[CORE.length] = more;
        return all;
    }
}
