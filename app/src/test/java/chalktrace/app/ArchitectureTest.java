package chalktrace.app;

import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.assignableTo;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.name;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.app.feature.Feature;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.stream.Collectors;

/** The arrows between modules and packages. */
@AnalyzeClasses(packages = "chalktrace", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

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

    /** Whatever is a feature has a package of its own, which nobody imports but the window that puts all together. */
    @ArchTest
    static void featuresAreKnownToTheWindowAlone(JavaClasses all) {
        Set<String> features = all.stream()
                .filter(one -> one.isAssignableTo(Feature.class) && !one.isInterface())
                .map(JavaClass::getPackageName)
                .collect(Collectors.toSet());
        assertThat(features).contains("chalktrace.app.trace");
        for (String feature : features) {
            noClasses()
                    .that()
                    .resideOutsideOfPackages(feature + "..", "chalktrace.app.window")
                    .should()
                    .dependOnClassesThat()
                    .resideInAPackage(feature + "..")
                    .check(all);
        }
    }

    @ArchTest
    static final ArchRule appHasNoCycles =
            slices().matching("chalktrace.app.(*)..").should().beFreeOfCycles();
}
