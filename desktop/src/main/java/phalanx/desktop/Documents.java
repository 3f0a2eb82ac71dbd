package phalanx.desktop;

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
                title + " has changes that are not saved.",
                List.of(
                        new Answer("answer-save", "Save", () -> save(() -> leave(then))),
                        new Answer("answer-drop", "Don't save", then),
                        new Answer("answer-cancel", "Cancel", () -> {})));
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
                own.get().getFileName()
                        + " was changed by another program or window since it was opened here. Saving puts this song in"
                        + " its place.",
                List.of(
                        new Answer("answer-other", "Save under another name", () -> saveAs(then)),
                        new Answer("answer-replace", "Replace it", () -> workbench.save(own.get(), then)),
                        new Answer("answer-cancel", "Cancel", () -> {})));
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
                        () -> workbench.say(Message.plain("Nothing to write yet: open a song with Ctrl+O.")));
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
                chosen.file().getFileName() + " is there already" + holding(chosen.file()) + ". Replace it?",
                List.of(
                        new Answer("answer-other", "Another name", again),
                        new Answer("answer-replace", "Replace it", write),
                        new Answer("answer-cancel", "Cancel", () -> {})));
    }

    private static String holding(Path file) {
        if (!ProjectFile.isProject(file)) {
            return "";
        }
        try {
            return " and holds \"" + new ProjectFile().read(file).song().title() + "\"";
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
                        new Answer("rescue-open", "Open it", () -> leave(() -> workbench.rescue(found))),
                        new Answer("rescue-drop", "Throw it away", () -> {
                            workbench.putAway(found);
                            offer(rest);
                        }),
                        new Answer("rescue-later", "Ask again next time", () -> offer(rest))));
    }

    private static String words(Rescue.Found found) {
        Project work = found.work().project();
        StringBuilder words = new StringBuilder("Unsaved work on \"")
                .append(work.song().title())
                .append("\" from ")
                .append(WHEN.localizedBy(Locale.ENGLISH)
                        .format(found.work().when().atZone(ZoneId.systemDefault())))
                .append(" was left when Phalanx ended without closing.");
        found.work().file().ifPresent(file -> words.append(beside(file, work)));
        return words.toString();
    }

    /** What is different in the saved file, and since when it is there. */
    private static String beside(Path file, Project work) {
        try {
            List<String> differs = Difference.words(new ProjectFile().read(file), work);
            String some = String.join(", ", differs.subList(0, Math.min(MOST_DIFFERENCES, differs.size())))
                    + (differs.size() > MOST_DIFFERENCES ? " and more" : "");
            String saved = WHEN.localizedBy(Locale.ENGLISH)
                    .format(Files.getLastModifiedTime(file).toInstant().atZone(ZoneId.systemDefault()));
            return " Its file " + file.getFileName() + ", saved " + saved + ", "
                    + (differs.isEmpty() ? "holds the same." : "differs: " + some + ".");
        } catch (FormatException | IOException e) {
            return " Its file " + file.getFileName() + " cannot be read now.";
        }
    }
}
