<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Anatomy;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\JsonFile;
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
        $atlas = $clinic->atlas;
        foreach (['muscles' => $atlas->muscles, 'zones' => $atlas->zones, 'movements' => $atlas->movements, 'tests' => $atlas->tests, 'posture_signs' => $atlas->postureSigns, 'techniques' => $atlas->techniques, 'tools' => $atlas->tools, 'positions' => $atlas->positions, 'products' => $atlas->products, 'demands' => $atlas->demands, 'consent_areas' => $atlas->consentAreas, 'conditions' => $clinic->rules()->conditions, 'red_flags' => $clinic->rules()->flags->flags, 'medicines' => $clinic->rules()->medicines, 'clot_items' => $clinic->rules()->clotItems] as $kind => $rows) {
            yield $kind => [$kind, array_map('strval', array_keys($rows))];
        }
    }

    public function test_zones_touch_each_other_both_ways(): void
    {
        foreach (Core::clinic()->atlas->zones as $zone) {
            self::assertNotSame([], $zone->neighbours, $zone->id);
            foreach ($zone->neighbours as $neighbour) {
                self::assertContains($zone->id, Core::clinic()->atlas->zone($neighbour)->neighbours, "{$zone->id} and $neighbour");
            }
        }
    }

    public function test_antagonists_are_mutual(): void
    {
        foreach (Core::clinic()->atlas->muscles as $muscle) {
            foreach ($muscle->antagonists as $antagonist) {
                self::assertContains($muscle->id, Core::clinic()->atlas->muscle($antagonist)->antagonists, "{$muscle->id} and $antagonist");
            }
        }
    }

    public function test_what_lengthens_a_muscle_is_not_what_it_does(): void
    {
        foreach (Core::clinic()->atlas->muscles as $muscle) {
            $does = array_map(static fn ($use): string => $use->keyFor(Side::Left), array_filter($muscle->actions, static fn ($use): bool => $use->prime));
            $lengthens = array_map(static fn ($use): string => $use->keyFor(Side::Left), $muscle->lengthenedBy);
            self::assertSame([], array_intersect($does, $lengthens), $muscle->id);
        }
    }

    public function test_every_muscle_can_be_reached_and_worked(): void
    {
        $atlas = Core::clinic()->atlas;
        foreach ($atlas->muscles as $muscle) {
            foreach ($muscle->positionsFor(Side::Left) as $position) {
                self::assertArrayHasKey($position, $atlas->positions, $muscle->id);
            }
            self::assertNotSame([], array_filter($muscle->techniques, static function (string $id) use ($atlas, $muscle): bool {
                $technique = $atlas->technique($id);

                return $technique->tools === [] || array_intersect($technique->tools, $muscle->tools) !== [];
            }), "{$muscle->id} has a technique for one of its tools");
        }
    }

    public function test_posture_signs_name_muscles_of_the_atlas(): void
    {
        $atlas = Core::clinic()->atlas;
        foreach ($atlas->postureSigns as $sign) {
            foreach ([...array_keys($sign->short), ...array_keys($sign->long)] as $muscle) {
                self::assertArrayHasKey($muscle, $atlas->muscles, $sign->id);
            }
        }
    }

    public function test_every_data_file_names_its_format_and_can_be_read(): void
    {
        foreach (glob(dirname(__DIR__, 2).'/data/*.json') ?: [] as $file) {
            self::assertSame('somatrace.'.basename($file, '.json'), JsonFile::read($file)->string('format'), $file);
        }
    }
}
