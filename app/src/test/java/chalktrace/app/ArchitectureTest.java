package chalktrace.app;

import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.assignableTo;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.name;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.concurrent.Executors;
import java.util.concurrent.ThreadPoolExecutor;

/** The arrows between modules and packages. */
@AnalyzeClasses(packages = "chalktrace", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    private static final String[] FEATURES = {
        "chalktrace.app.gather..",
        "chalktrace.app.study..",
        "chalktrace.app.trace..",
        "chalktrace.app.voice..",
        "chalktrace.app.finish..",
        "chalktrace.app.ruler..",
        "chalktrace.app.notes..",
        "chalktrace.app.space..",
        "chalktrace.app.versions.."
    };

    @ArchTest
    static final ArchRule coreStandsOnItsOwn = noClasses()
            .that()
            .resideInAPackage("chalktrace.core..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("chalktrace.media..", "chalktrace.app..");

    @ArchTest
    static final ArchRule mediaKnowsNoWindow = noClasses()
            .that()
            .resideInAPackage("chalktrace.media..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("chalktrace.app..", "javafx..");

    @ArchTest
    static final ArchRule theCommandLineKnowsNoWindow = noClasses()
            .that()
            .resideInAPackage("chalktrace.app.cli..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("javafx..");

    @ArchTest
    static final ArchRule nativeCodecsAreCalledFromOnePackage = noClasses()
            .that()
            .resideOutsideOfPackages("chalktrace.media.codec..", "chalktrace.media.testing..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("org.bytedeco..");

    @ArchTest
    static final ArchRule threadsHaveOneOwner = noClasses()
            .that()
            .resideOutsideOfPackages("chalktrace.core.work", "chalktrace.media.testing..")
            .should()
            .callConstructorWhere(target(owner(assignableTo(Thread.class))))
            .orShould()
            .dependOnClassesThat()
            .belongToAnyOf(Executors.class, ThreadPoolExecutor.class);

    @ArchTest
    static final ArchRule theWindowWaitsForNoThread = noClasses()
            .that()
            .resideInAPackage("chalktrace.app..")
            .should()
            .callMethodWhere(target(name("awaitTermination")));

    @ArchTest
    static final ArchRule coreHasNoCycles =
            slices().matching("chalktrace.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule mediaHasNoCycles =
            slices().matching("chalktrace.media.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule noPackagesFormACircle =
            slices().matching("chalktrace.(**)").should().beFreeOfCycles();

    /** Document, jobs and what is selected; open footage; open sound: each is there without the window's parts and the steps. */
    @ArchTest
    static final ArchRule theGroundKnowsNothingAboveIt = noClasses()
            .that()
            .resideInAnyPackage("chalktrace.app.kernel..", "chalktrace.app.footage..", "chalktrace.app.sound..")
            .should()
            .dependOnClassesThat(JavaClass.Predicates.resideInAPackage("chalktrace.app..")
                    .and(JavaClass.Predicates.resideOutsideOfPackages(
                            "chalktrace.app.kernel..",
                            "chalktrace.app.footage..",
                            "chalktrace.app.sound..",
                            "chalktrace.app.state..",
                            "chalktrace.app.words..")));

    @ArchTest
    static final ArchRule footageAndSoundDoNotKnowEachOther =
            slices().matching("chalktrace.app.(footage|sound)..").should().notDependOnEachOther();

    @ArchTest
    static final ArchRule featuresDoNotKnowEachOther = slices().matching(
                    "chalktrace.app.(gather|study|trace|voice|finish|ruler|notes|space)..")
            .should()
            .notDependOnEachOther();

    /** Only the window knows which features there are; the parts that host them know none. */
    @ArchTest
    static final ArchRule onlyTheWindowKnowsTheFeatures = noClasses()
            .that(JavaClass.Predicates.resideInAPackage("chalktrace.app..")
                    .and(JavaClass.Predicates.resideOutsideOfPackages(FEATURES))
                    .and(JavaClass.Predicates.resideOutsideOfPackage("chalktrace.app.window")))
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(FEATURES);

    @ArchTest
    static final ArchRule appHasNoCycles =
            slices().matching("chalktrace.app.(*)..").should().beFreeOfCycles();
}
