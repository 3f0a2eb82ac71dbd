package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import phalanx.desktop.session.Message;
import phalanx.desktop.session.Rescue;
import phalanx.desktop.widget.Question;
import phalanx.desktop.widget.Question.Answer;
import phalanx.formats.page.PageFiles;
import phalanx.formats.page.PageSetup;
import phalanx.formats.page.Sheet;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.FormatException;
import phalanx.project.Difference;
import phalanx.project.Project;

/** Opening, saving and leaving songs: nothing that is not saved goes, and no file is overwritten, without a question. */
final class Documents {
    private static final DateTimeFormatter WHEN =
            DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT);
    private static final int MOST_DIFFERENCES = 4;

    private final Workbench workbench;
    private final FileDialogs dialogs;
    private final Question question;

    Documents(Workbench workbench, FileDialogs dialogs, Question question) {
        this.workbench = workbench;
        this.dialogs = dialogs;
        this.question = question;
    }

    /** Does something that puts another song in the place of the open one, once that is saved or given up. */
    void leave(Runnable then) {
        if (question.isOpen()) {
            return;
        }
        if (!workbench.isChanged()) {
            then.run();
            return;
        }
        String title = workbench.project().orElseThrow().song().title();
        question.ask(
                wording("Documents.has-changes-that-are-not", title),
                List.of(
                        new Answer("answer-save", wording("Documents.save"), () -> save(() -> leave(then))),
                        new Answer("answer-drop", wording("Documents.don-t-save"), then),
                        new Answer("answer-cancel", wording("Documents.cancel"), () -> {})));
    }

    /** Saves to the project's own file, or to one that is chosen. */
    void save(Runnable then) {
        Optional<Path> own = workbench.file().projectFile();
        if (own.isEmpty()) {
            saveAs(then);
            return;
        }
        if (!workbench.file().isChangedOutside()) {
            workbench.save(own.get(), then);
            return;
        }
        question.ask(
                wording("Documents.was-changed-by-another-program", own.get().getFileName()),
                List.of(
                        new Answer("answer-other", wording("Documents.save-under-another-name"), () -> saveAs(then)),
                        new Answer(
                                "answer-replace",
                                wording("Documents.replace-it"),
                                () -> workbench.save(own.get(), then)),
                        new Answer("answer-cancel", wording("Documents.cancel"), () -> {})));
    }

    /** Saves to a file that is chosen. */
    void saveAs(Runnable then) {
        workbench
                .project()
                .flatMap(project -> dialogs.saveProject(project.song().title()))
                .ifPresent(chosen -> replacing(chosen, () -> workbench.save(chosen.file(), then), () -> saveAs(then)));
    }

    /** Writes the arrangement to a file that is chosen. */
    void export() {
        workbench
                .arrangement()
                .ifPresentOrElse(
                        shown -> dialogs.save(shown.song().title())
                                .ifPresent(chosen ->
                                        replacing(chosen, () -> workbench.export(chosen.file()), this::export)),
                        () -> workbench.say(Message.plain(wording("Documents.nothing-to-write-yet-open"))));
    }

    /** Writes pages to a file that is chosen. */
    void exportPages(Sheet sheet, PageSetup setup) {
        workbench.project().ifPresent(project -> dialogs.savePages(
                        project.song().title() + (sheet == Sheet.SCORE ? "" : " " + sheet.label()))
                .ifPresent(chosen -> replacing(
                        chosen,
                        () -> workbench.export(
                                chosen.file(), shown -> PageFiles.write(shown, sheet, setup, chosen.file())),
                        () -> exportPages(sheet, setup))));
    }

    /** Asks before a file is overwritten that is not the open one, unless the system has asked already. */
    private void replacing(FileDialogs.Chosen chosen, Runnable write, Runnable again) {
        boolean own =
                workbench.file().projectFile().filter(chosen.file()::equals).isPresent();
        if (own || chosen.asked() || !Files.exists(chosen.file())) {
            write.run();
            return;
        }
        question.ask(
                wording("Documents.is-there-already-replace-it", chosen.file().getFileName(), holding(chosen.file())),
                List.of(
                        new Answer("answer-other", wording("Documents.another-name"), again),
                        new Answer("answer-replace", wording("Documents.replace-it"), write),
                        new Answer("answer-cancel", wording("Documents.cancel"), () -> {})));
    }

    private static String holding(Path file) {
        if (!ProjectFile.isProject(file)) {
            return "";
        }
        try {
            return wording(
                    "Documents.and-holds", new ProjectFile().read(file).song().title());
        } catch (FormatException e) {
            return "";
        }
    }

    /** Offers what windows left behind that were killed, one after the other. */
    void offer(List<Rescue.Found> left) {
        if (left.isEmpty()) {
            return;
        }
        Rescue.Found found = left.get(0);
        List<Rescue.Found> rest = left.subList(1, left.size());
        question.ask(
                words(found),
                List.of(
                        new Answer(
                                "rescue-open",
                                wording("Documents.open-it"),
                                () -> leave(() -> workbench.rescue(found))),
                        new Answer("rescue-drop", wording("Documents.throw-it-away"), () -> {
                            workbench.putAway(found);
                            offer(rest);
                        }),
                        new Answer("rescue-later", wording("Documents.ask-again-next-time"), () -> offer(rest))));
    }

    private static String words(Rescue.Found found) {
        Project work = found.work().project();
        StringBuilder words = new StringBuilder(wording("Documents.unsaved-work-on"))
                .append(work.song().title())
                .append(wording("Documents.from"))
                .append(WHEN.localizedBy(Locale.ENGLISH)
                        .format(found.work().when().atZone(ZoneId.systemDefault())))
                .append(wording("Documents.was-left-when-phalanx-ended"));
        found.work().file().ifPresent(file -> words.append(beside(file, work)));
        return words.toString();
    }

    /** What is different in the saved file, and since when it is there. */
    private static String beside(Path file, Project work) {
        try {
            List<String> differs = Difference.words(new ProjectFile().read(file), work);
            String some = String.join(", ", differs.subList(0, Math.min(MOST_DIFFERENCES, differs.size())))
                    + (differs.size() > MOST_DIFFERENCES ? wording("Documents.and-more") : "");
            String saved = WHEN.localizedBy(Locale.ENGLISH)
                    .format(Files.getLastModifiedTime(file).toInstant().atZone(ZoneId.systemDefault()));
            return wording(
                    "Documents.its-file-saved",
                    file.getFileName(),
                    saved,
                    differs.isEmpty() ? wording("Documents.holds-the-same") : wording("Documents.differs", some));
        } catch (FormatException | IOException e) {
            return wording("Documents.its-file-cannot-be-read", file.getFileName());
        }
    }
}
