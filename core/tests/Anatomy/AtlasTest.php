<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Anatomy;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\AtlasFiles;
use Somatrace\Core\Anatomy\AtlasGaps;
use Somatrace\Core\Anatomy\Caution;
use Somatrace\Core\Anatomy\DirectionUse;
use Somatrace\Core\Anatomy\Hazard;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Relation;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\Test;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Compiled;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Safety\SafetyRules;
use Somatrace\Core\Tests\Support\BrokenAtlas;
use Somatrace\Core\Tests\Support\Core;

final class AtlasTest extends TestCase
{
    #[DataProvider('vocabularies')]
    public function test_every_id_of_the_vocabulary_resolves_and_there_is_no_other(string $kind, array $known): void
    {
        $file = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/vocabulary.json'), true);
        $ids = match ($kind) {
            'muscles' => [...array_merge(...array_values($file['muscles'])), ...$file['structures']],
            'zones' => array_merge(...array_values($file['zones'])),
            default => array_is_list($file[$kind]) ? $file[$kind] : array_keys($file[$kind]),
        };
        sort($ids);
        sort($known);

        self::assertSame($ids, $known);
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function vocabularies(): iterable
    {
        $clinic = Core::clinic();
        $atlas = $clinic->atlas();
        foreach (
            [
                'muscles' => $atlas->muscles, 'zones' => $atlas->zones, 'movements' => $atlas->movements, 'tests' => $atlas->tests,
                'posture_signs' => $atlas->postureSigns, 'techniques' => $atlas->techniques, 'tools' => $atlas->tools,
                'positions' => $atlas->positions, 'products' => $atlas->products, 'demands' => $atlas->demands,
                'consent_areas' => $atlas->consentAreas, 'conditions' => $clinic->rules()->conditions,
                'red_flags' => $clinic->rules()->flags->flags, 'medicines' => $clinic->rules()->medicines,
                'clot_items' => $clinic->rules()->clot->items,
            ] as $kind
                => $rows
        ) {
            yield $kind => [$kind, array_map('strval', array_keys($rows))];
        }
    }

    public function test_the_complete_atlas_has_no_fault_and_no_gap(): void
    {
        $folder = dirname(__DIR__, 2).'/data';

        self::assertSame([], array_map(static fn (Fault $fault): string => $fault->line(), (new AtlasFiles($folder))->faults()));
        self::assertSame([], (new AtlasGaps(Atlas::build($folder)))->gaps());
    }

    public function test_the_compiled_atlas_is_the_one_in_the_files_and_follows_them(): void
    {
        $folder = BrokenAtlas::copy();
        $kept = "$folder.compiled";
        $first = Atlas::load($folder, $kept);
        $again = Atlas::load($folder, $kept);
        BrokenAtlas::change($folder, 'muscles', static function (array $file): array {
            $file['muscles'][0]['name'] = 'Another name';

            return $file;
        });
        $changed = Atlas::load($folder, $kept);
        BrokenAtlas::remove($folder);
        unlink($kept);

        self::assertSame(serialize($first->muscles), serialize($again->muscles));
        self::assertSame($first->version, $again->version);
        self::assertSame('Another name', $changed->muscle('frontalis')->name);
        self::assertNotSame($first->version, $changed->version);
    }

    public function test_compiled_rules_are_those_in_the_files_and_follow_them(): void
    {
        $folder = BrokenAtlas::copy();
        $kept = "$folder.compiled";
        $rules = static fn (): SafetyRules => Clinic::open($folder, $kept)->rules();
        $read = serialize(Clinic::open($folder)->rules());
        $first = serialize($rules());
        $file = (string) file_get_contents("$kept.rules");
        $again = serialize($rules());
        $untouched = (string) file_get_contents("$kept.rules");
        BrokenAtlas::change($folder, 'conditions', static fn (array $file): array => [...$file, 'guardian_age' => 21]);
        $changed = $rules()->guardianAge;
        // what was spoilt is built anew, and whole again
        file_put_contents("$kept.rules", strstr((string) file_get_contents("$kept.rules"), "\n", true)."\nO:8:\"stdClass\":0:{}");
        $mended = $rules()->guardianAge;
        BrokenAtlas::remove($folder);
        unlink("$kept.rules");

        self::assertSame([$read, $read, $file], [$first, $again, $untouched]);
        self::assertSame([21, 21], [$changed, $mended]);
    }

    public function test_what_was_compiled_of_other_classes_is_not_read(): void
    {
        [$classes, $kept] = [sys_get_temp_dir().'/somatrace-classes-'.bin2hex(random_bytes(6)), tempnam(sys_get_temp_dir(), 'somatrace')];
        mkdir($classes);
        file_put_contents("$classes/One.php", '<?php');
        (new Compiled($kept, 'stamp', $classes))->keep('built');
        $read = (new Compiled($kept, 'stamp', $classes))->text();
        file_put_contents("$classes/One.php", '<?php // another');
        clearstatcache();
        $after = (new Compiled($kept, 'stamp', $classes))->text();
        unlink("$classes/One.php");
        rmdir($classes);
        unlink($kept);

        self::assertSame(['built', null], [$read, $after]);
    }

    #[DataProvider('ways')]
    public function test_directions_are_compared_across_combined_movements(string $muscle, string $direction, bool $does): void
    {
        $atlas = Core::clinic()->atlas();
        $keys = array_map(static fn (DirectionUse $use): string => $use->key(), $atlas->does($atlas->muscle($muscle)));

        self::assertSame($does, in_array($direction, $keys, true));
    }

    /** @return iterable<string, array{string, string, bool}> */
    public static function ways(): iterable
    {
        yield 'gastrocnemius pushes the foot down' => ['gastrocnemius', 'ankle.plantarflexion:same', true];
        yield 'tibialis anterior draws it up, knee straight or bent' => ['tibialis_anterior', 'ankle.dorsiflexion:same', true];
        yield 'the strap turns the head to the other side' => ['sternocleidomastoid_sternal', 'cervical.rotation:opposite', true];
        yield 'and not to its own' => ['sternocleidomastoid_sternal', 'cervical.rotation:same', false];
        yield 'latissimus draws the arm to the side, which nobody measures' => ['latissimus_dorsi', 'shoulder.adduction:same', true];
    }

    public function test_a_direction_about_the_midline_is_undone_by_its_twin_on_the_other_side(): void
    {
        $handbook = Core::clinic()->atlas()->handbook();

        self::assertSame('cervical.rotation:opposite', $handbook->direction('cervical.rotation')->undoneBy(Relation::Same)->key());
        self::assertSame('elbow.extension:same', $handbook->direction('elbow.flexion')->undoneBy(Relation::Same)->key());
        self::assertSame('trunk.flexion:midline', $handbook->direction('trunk.extension')->undoneBy(Relation::Midline)->key());
    }

    public function test_a_site_works_as_the_whole_muscle_does_where_it_says_nothing_else(): void
    {
        $muscle = Core::clinic()->atlas()->muscle('levator_scapulae');

        self::assertSame($muscle->tools, $muscle->toolsAt('belly'));
        self::assertNotContains('elbow', $muscle->toolsAt('upper_attachment'));
        self::assertSame(['neck_side'], $muscle->zonesOf('upper_attachment'));
        self::assertContains('shoulder_blade', $muscle->zonesOf(null));
    }

    public function test_one_sided_hazards_lie_on_their_true_side_only(): void
    {
        $hazards = Core::clinic()->atlas()->handbook()->hazards;
        $sides = array_map(
            static fn ($hazard): ?Side => $hazard->oneSided,
            array_filter($hazards, static fn ($hazard): bool => $hazard->oneSided !== null),
        );
        ksort($sides);

        self::assertSame(
            [
                'appendix_right' => Side::Right, 'bowel_left' => Side::Left, 'liver_edge' => Side::Right,
                'spleen_floating_ribs' => Side::Left,
            ],
            $sides,
        );
        self::assertFalse($hazards['liver_edge']->liesOn(Side::Left));
        self::assertTrue($hazards['kidney_angle']->liesOn(Side::Left));
    }

    public function test_the_hand_is_warned_of_what_lies_on_its_own_side_only(): void
    {
        $atlas = Core::clinic()->atlas();
        $about = static fn (Side $side, string $start): array => array_filter(
            $atlas->watchOf($atlas->muscle('psoas_major'), $atlas->hazardsOf($atlas->muscle('psoas_major'), $side)),
            static fn (Caution $one): bool => str_starts_with($one->text, $start),
        );

        self::assertCount(1, $about(Side::Left, 'Left belly'));
        self::assertCount(0, $about(Side::Right, 'Left belly'));
        self::assertCount(1, $about(Side::Right, 'Right lower belly'));
        self::assertCount(1, $about(Side::Right, 'Groin crease triangle: a pulse'));
    }

    /** A tool that hazards forbid over every place of a part is no tool of that part, whatever a hand would like. */
    public function test_no_part_of_a_muscle_lists_a_tool_that_can_be_laid_nowhere_on_it(): void
    {
        $atlas = Core::clinic()->atlas();
        $nowhere = [];
        foreach ($atlas->muscles as $muscle) {
            foreach (array_unique([$muscle->workSite, ...array_keys($muscle->sites)]) as $site) {
                foreach ($muscle->toolsAt($site) as $tool) {
                    $free = array_filter($muscle->zonesOf($site), static fn (string $zone): bool => array_filter(
                        $atlas->handbook()->hazards,
                        static fn (Hazard $hazard): bool => in_array($zone, $hazard->zones, true) && in_array($tool, $hazard->tools, true),
                    ) === []);
                    if ($free === []) {
                        $nowhere[] = "{$muscle->id} $tool";
                    }
                }
            }
        }

        // an elbow that travels belongs to them; it is kept out of the whole mid-buttock until spots tell it from the nerve's line
        self::assertSame(['gluteus_maximus elbow', 'gluteus_medius elbow'], array_values(array_unique($nowhere)));
    }

    public function test_a_test_that_gives_no_number_says_what_can_be_answered(): void
    {
        foreach (Core::clinic()->atlas()->tests as $test) {
            self::assertSame($test->result === 'result', $test->answers !== [], $test->id);
        }
    }

    public function test_a_test_of_levels_names_them_as_a_case_may(): void
    {
        $pattern = '/'.Core::schema()['$defs']['test']['properties']['segment']['pattern'].'/';
        $named = array_filter(array_map(static fn (Test $test): array => $test->levels, Core::clinic()->atlas()->tests));

        self::assertSame(['neck_spring', 'segment_spring', 'reflex'], array_keys($named));
        foreach (array_merge(...array_values($named)) as $level => $words) {
            self::assertMatchesRegularExpression($pattern, $level);
            self::assertStringStartsWith($level, $words);
        }
    }

    public function test_every_data_file_names_its_format_and_can_be_read(): void
    {
        foreach (glob(dirname(__DIR__, 2).'/data/*.json') ?: [] as $file) {
            self::assertSame('somatrace.'.basename($file, '.json'), JsonFile::read($file)->string('format'), $file);
        }
    }

    public function test_what_lies_in_the_middle_is_told_without_a_side_and_without_its_comma(): void
    {
        $atlas = Core::clinic()->atlas();

        self::assertSame('forehead, left', $atlas->placeName(new Place('forehead', Side::Left)));
        self::assertSame('breastbone', $atlas->placeName(new Place('breastbone', Side::Midline)));
        self::assertSame(['opening', 'opening, left'], [Side::Midline->named('opening'), Side::Left->named('opening')]);
    }
}
