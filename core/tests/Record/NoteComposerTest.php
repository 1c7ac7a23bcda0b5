<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Record;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Record\ComposedNote;
use Somatrace\Core\Record\Part;
use Somatrace\Core\Record\Sentence;
use Somatrace\Core\Record\Terms;
use Somatrace\Core\Record\VisitRecord;
use Somatrace\Core\Record\Wording;
use Somatrace\Core\Simulation\Chance;
use Somatrace\Core\Simulation\Rearranged;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\MadeUpCourses;
use Somatrace\Core\Tests\Support\NoteText;
use Somatrace\Core\Tests\Support\Rehearsal;

/** Twelve notes printed and read (docs/note-reading.md), and what holds of every note. */
final class NoteComposerTest extends TestCase
{
    private const GOLDEN = __DIR__.'/../golden/notes';

    /** What no reader should meet: ids, empty labels, zeros that say nothing, points and commas without words. */
    private const NEVER = '/_|\bnull\b|\bArray\b|\d\.\d{2}|:\s*[.;,]|,\s*[.;,]|;\s*[.;]|\(\s*\)|\.\.|  |“”|\b0 min\b|\b0 s\b|^\s*[.;:,]|: *$|, midline\b|NAN|INF/u';

    #[DataProvider('golden')]
    public function test_a_note_reads_as_it_was_read(string $name, VisitRecord $record): void
    {
        $text = NoteText::of(Core::clinic()->note($record));
        $path = self::GOLDEN."/$name.txt";
        if (getenv('GOLDEN') === 'write') {
            file_put_contents($path, $text);
        }

        self::assertStringEqualsFile($path, $text);
    }

    /** @return iterable<string, array{string, VisitRecord}> the examples, and one visit of each of six regions */
    public static function golden(): iterable
    {
        foreach (glob(__DIR__.'/../fixtures/cases/*.json') ?: [] as $index => $path) {
            $name = basename($path, '.json');
            yield $name => [$name, (new Rehearsal(new Chance(70 + $index)))->of(Core::example($name))];
        }
        $made = array_values(self::documents(1));
        foreach ([0, 2, 4, 5, 7, 9] as $index) {
            $name = "made-up-$index";
            yield $name => [$name, (new Rehearsal(new Chance(80 + $index)))->of(Core::case($made[$index]))];
        }
    }

    /** The suite reads a hundred and fifty; NOTES=500 says how many. */
    #[Group('slow')]
    public function test_of_hundreds_of_visits_no_note_has_a_word_that_is_none(): void
    {
        $many = (int) (getenv('NOTES') ?: 150);
        $read = 0;
        foreach (self::visits($many) as $name => $record) {
            foreach ($read % 5 === 0 ? Wording::cases() : [Wording::Both] as $wording) {
                $note = Core::clinic()->note($record, new Terms(Core::clinic()->atlas(), $wording));
                foreach ($note->sentences as $one) {
                    self::assertDoesNotMatchRegularExpression(self::NEVER, $one->text, "$name, $one->id");
                    self::assertMatchesRegularExpression('/^[\p{Lu}\p{N}“].*[.!?…]”?$/su', $one->text, "$name, $one->id");
                    self::assertNotSame([], $one->sources, "$name, $one->id");
                }
                foreach ($note->changes as $one) {
                    self::assertDoesNotMatchRegularExpression(self::NEVER, "$one->name, $one->before, $one->after, $one->words", $name);
                }
                $ids = array_map(static fn (Sentence $one): string => $one->id, $note->sentences);
                self::assertSame($ids, array_values(array_unique($ids)), $name);
            }
            $read++;
        }

        self::assertSame($many, $read);
    }

    #[Group('slow')]
    public function test_what_was_found_is_told_and_nothing_else(): void
    {
        $atlas = Core::clinic()->atlas();
        foreach (self::visits(60) as $name => $record) {
            $note = Core::clinic()->note($record);
            $found = self::text($note, Part::Found);
            foreach ($record->case->findings->palpation as $one) {
                self::assertStringContainsStringIgnoringCase($atlas->muscle($one->muscle)->name, $found, $name);
            }
            foreach ($record->case->findings->range as $one) {
                self::assertStringContainsStringIgnoringCase($atlas->movement($one->movement)->name, $found, $name);
            }
            foreach ($record->case->findings->complaints as $one) {
                self::assertStringContainsString($atlas->zone($one->zone)->name, self::text($note, Part::Reason), $name);
            }
            $said = array_merge(
                array_map(static fn ($one): string => $one->muscle, $record->case->findings->palpation),
            );
            foreach ($atlas->muscles as $muscle) {
                if (! in_array($muscle->id, $said, true) && ! self::isPartOfAnother($muscle->name)) {
                    self::assertStringNotContainsString(lcfirst($muscle->name).':', $found, "$name: {$muscle->id} was felt by nobody");
                }
            }
        }
    }

    #[Group('slow')]
    public function test_the_other_way_round_the_note_is_the_other_way_round(): void
    {
        $tried = 0;
        $swap = ['left' => 'right', 'right' => 'left', 'Left' => 'Right', 'Right' => 'Left'];
        foreach (self::documents(2) as $name => $document) {
            self::assertSame(
                self::pieces(Core::clinic()->note(new VisitRecord(Core::case($document))), $swap),
                self::pieces(Core::clinic()->note(new VisitRecord(Core::case(Rearranged::mirrored($document)))), []), $name,
            );
            $tried++;
        }

        self::assertGreaterThan(15, $tried);
    }

    public function test_a_visit_that_recorded_nothing_says_little(): void
    {
        $note = Core::clinic()->note(new VisitRecord(Core::case([
            'format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-03-02', 'client' => ['age' => 40],
        ])));

        self::assertSame(
            ['The safety questions were not asked.', 'No hands-on work today.'],
            array_map(static fn (Sentence $one): string => $one->text, $note->sentences),
        );
        self::assertSame([], $note->changes);
    }

    public function test_the_words_are_the_ones_that_were_chosen(): void
    {
        $record = new VisitRecord(Core::example('carver-whole-pattern'));
        $turning = fn (Wording $wording): string => self::sentence(
            Core::clinic()->note($record, new Terms(Core::clinic()->atlas(), $wording)), 'found.range.cervical.rotation',
        );

        self::assertStringStartsWith('Turning the head: left 76°', $turning(Wording::Plain));
        self::assertStringStartsWith('Cervical rotation: left 76°', $turning(Wording::Clinical));
        self::assertStringStartsWith('Turning the head (cervical rotation): left 76°', $turning(Wording::Both));
    }

    /**
     * @param  array<string, string>  $swap
     * @return list<string> what of a note has two sides: piece by piece, since left is told before right whichever is meant
     */
    private static function pieces(ComposedNote $note, array $swap): array
    {
        $pieces = [];
        foreach ([...$note->of(Part::Reason), ...$note->of(Part::Found)] as $one) {
            foreach (preg_split('/[:;,.] ?| and | \(usual/', strtr($one->text, $swap)) ?: [] as $piece) {
                $pieces[] = mb_strtolower($piece);
            }
        }
        sort($pieces);

        return $pieces;
    }

    private static function isPartOfAnother(string $name): bool
    {
        foreach (Core::clinic()->atlas()->muscles as $other) {
            if ($other->name !== $name && str_contains(strtolower($other->name), strtolower($name))) {
                return true;
            }
        }

        return false;
    }

    private static function text(ComposedNote $note, Part $part): string
    {
        return implode(' ', array_map(static fn (Sentence $one): string => $one->text, $note->of($part)));
    }

    private static function sentence(ComposedNote $note, string $id): string
    {
        foreach ($note->sentences as $one) {
            if ($one->id === $id) {
                return $one->text;
            }
        }

        return '';
    }

    /** @return iterable<string, VisitRecord> */
    private static function visits(int $count): iterable
    {
        $regions = count(Core::clinic()->atlas()->regions);
        $rehearsal = new Rehearsal(new Chance(20261129));
        $index = 0;
        foreach (array_slice(self::documents(intdiv($count, $regions) + 1), 0, $count) as $name => $document) {
            $case = Core::case($document);
            yield $name => $index++ % 25 === 0 ? $rehearsal->of($case) : $rehearsal->quickly($case);
        }
    }

    /** @return array<string, array<string, mixed>> */
    private static function documents(int $each): array
    {
        return array_map(static fn (array $of): array => $of[0], MadeUpCourses::stiff($each, 20261130));
    }
}
