<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\CaseFile;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\CaseFile\EntryDeclaration;
use Somatrace\Core\CaseFile\EntryDeclarations;
use Somatrace\Core\Tests\Support\Core;

final class EntryDeclarationsTest extends TestCase
{
    public function test_the_schemas_declare_what_the_table_says(): void
    {
        $rows = [];
        foreach (file(dirname(__DIR__).'/tables/entries.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            if (! str_starts_with($line, '#')) {
                $rows[] = implode(' | ', array_map(trim(...), explode('|', $line)));
            }
        }
        $declared = array_map(static fn (EntryDeclaration $one): string => implode(' | ', [
            $one->kind, implode(
                ', ', [...$one->nameKeys, ...$one->mayRepeat ? ['again'] : []],
            ) ?: '–', implode(', ', $one->phases), $one->writer->value,
        ]), array_values(Core::clinic()->entries()->kinds));
        sort($rows);
        sort($declared);

        self::assertSame($rows, $declared);
    }

    public function test_what_is_found_has_its_list_among_the_findings_and_nothing_else_has(): void
    {
        $kinds = Core::clinic()->entries()->kinds;

        self::assertSame('palpation', $kinds['palpation']->findingsKey());
        self::assertSame('complaints', $kinds['complaint']->findingsKey());
        self::assertNull($kinds['consent']->findingsKey());
        self::assertNull($kinds['red_flag']->findingsKey());
    }

    public function test_no_kind_is_declared_twice(): void
    {
        $kinds = [];
        foreach (['case', 'entries'] as $file) {
            preg_match_all('/"x-entry": "([a-z_]+)"/', (string) file_get_contents(Core::clinic()->schemas()."/$file.schema.json"), $found);
            array_push($kinds, ...$found[1]);
        }

        self::assertSame(array_unique($kinds), $kinds);
        self::assertEqualsCanonicalizing($kinds, array_keys(Core::clinic()->entries()->kinds));
    }

    /** What names an entry, and what makes two of a list the same, must be parts that the schema knows. */
    public function test_whatever_names_an_entry_is_a_part_of_it(): void
    {
        $clinic = Core::clinic();
        foreach ($clinic->entries()->kinds as $kind => $declared) {
            foreach ($declared->nameKeys as $key) {
                $faults = $clinic->schemaOf($declared)->faults((object) [$key => new \stdClass], $declared->part);
                $pointers = array_map(static fn ($fault): string => $fault->pointer.' '.$fault->message, $faults);
                self::assertSame(
                    [], array_filter($pointers, static fn (string $said): bool => str_contains($said, 'unknown key')),
                    "$kind is named by $key",
                );
            }
        }
    }

    public function test_what_stands_in_a_list_and_in_a_map_is_found_in_its_place(): void
    {
        $entries = Core::clinic()->entries();

        self::assertSame(
            ['findings' => ['palpation' => [['muscle' => 'soleus']]]], $entries->of('palpation')->within('soleus', ['muscle' => 'soleus']),
        );
        self::assertSame(['health' => ['red_flags' => ['numb_face' => 'yes']]], $entries->of('red_flag')->within('numb_face', 'yes'));
        self::assertSame(['session' => ['school' => ['order' => 'site_first']]], $entries->of('school')->within('order', 'site_first'));
        self::assertSame([], $entries->of('text')->within('advice', 'Walk.'), 'no case holds it');
        self::assertSame('/properties/session/properties/school/properties/order', $entries->of('school')->partFor('order'));
    }

    public function test_two_spots_of_one_place_are_two_findings_and_one_spot_twice_is_a_contradiction(): void
    {
        $felt = static fn (?string $spot, int $tender): array => [
            'muscle' => 'gluteus_medius', 'side' => 'left', 'site' => 'belly', ...$spot === null ? [] : ['spot' => $spot],
            'tenderness' => $tender,
        ];
        $faults = static fn (array ...$felt): int => count(
            Core::clinic()->sense()->faults(['as_of' => '2026-03-02', 'findings' => ['palpation' => $felt]]),
        );

        self::assertSame(0, $faults($felt('front', 3), $felt('back', 1), $felt(null, 2)));
        self::assertSame(1, $faults($felt('front', 3), $felt('front', 1)));
        self::assertSame(0, $faults($felt('front', 3), $felt('front', 3)), 'told twice is no contradiction');
    }

    public function test_a_schema_that_does_not_say_when_a_thing_stands_is_refused(): void
    {
        $folder = sys_get_temp_dir().'/somatrace-schemas-'.getmypid();
        is_dir($folder) || mkdir($folder);
        file_put_contents("$folder/case.schema.json", '{"$defs": {}, "properties": {"pulse": {"x-entry": "pulse"}}}');
        file_put_contents("$folder/entries.schema.json", '{"$defs": {}}');
        try {
            EntryDeclarations::in($folder);
            self::fail('read');
        } catch (\LogicException $refused) {
            self::assertStringContainsString('when in a visit "pulse" stands', $refused->getMessage());
        } finally {
            array_map(unlink(...), glob("$folder/*") ?: []);
            rmdir($folder);
        }
    }
}
