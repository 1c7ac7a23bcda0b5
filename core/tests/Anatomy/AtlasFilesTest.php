<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Anatomy;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\AtlasFiles;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;
use Somatrace\Core\Tests\Support\BrokenAtlas;

#[Group('slow')]
final class AtlasFilesTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = BrokenAtlas::copy();
    }

    protected function tearDown(): void
    {
        BrokenAtlas::remove($this->folder);
    }

    /** @param  list<string|int>  $path */
    #[DataProvider('spoiled')]
    public function test_a_broken_copy_of_a_file_is_refused_with_its_place_and_what_is_wrong(
        string $file,
        array $path,
        mixed $value,
        string $fault,
    ): void {
        BrokenAtlas::change($this->folder, $file, static function (array $data) use ($path, $value): array {
            $place = &$data;
            foreach ($path as $key) {
                $place = &$place[$key];
            }
            $place = $value;

            return $data;
        });

        self::assertContains($fault, array_map(static fn (Fault $one): string => $one->line(), (new AtlasFiles($this->folder))->faults()));
    }

    /** @return iterable<string, array{string, list<string|int>, mixed, string}> */
    public static function spoiled(): iterable
    {
        // one broken copy of every file: its shape
        yield 'vocabulary' => ['vocabulary', ['sides'], 'left', 'vocabulary.json /sides: "left" is no array'];
        yield 'directions' => [
            'directions', ['directions', 3, 'crosses'], 'yes', 'directions.json /directions/3/crosses: "yes" is no boolean',
        ];
        yield 'zones' => ['zones', ['zones', 0, 'midline'], null, 'zones.json /zones/0/midline: null is no boolean'];
        yield 'landmarks' => ['landmarks', ['landmarks', 1, 'zones'], [], 'landmarks.json /landmarks/1/zones: too few entries, at least 1'];
        yield 'hazards' => [
            'hazards', ['hazards', 0, 'one_sided'], 'middle',
            'hazards.json /hazards/0/one_sided: "middle" is not known, allowed are left, right, null',
        ];
        yield 'movements' => [
            'movements', ['movements', 5, 'unit'], 'rad',
            'movements.json /movements/5/unit: "rad" is not known, allowed are deg, mm, cm, glide',
        ];
        yield 'muscles' => ['muscles', ['muscles', 17, 'layer'], 7, 'muscles.json /muscles/17/layer: 7 is too large, at most 4'];
        yield 'self-care' => [
            'self_care', ['self_care', 0, 'kind'], 'push',
            'self_care.json /self_care/0/kind: "push" is not known, allowed are stretch, release, move, strengthen, habit',
        ];
        yield 'tests' => ['tests', ['tests', 0, 'steps'], 'press', 'tests.json /tests/0/steps: "press" is no array'];
        yield 'posture signs' => [
            'posture_signs', ['posture_signs', 0, 'short', 0, 'side'], 'left',
            'posture_signs.json /posture_signs/0/short/0/side: "left" is not known, allowed are same, opposite, midline',
        ];
        yield 'techniques' => [
            'techniques', ['techniques', 0, 'stages', 0], 'old',
            'techniques.json /techniques/0/stages/0: "old" is not known, allowed are acute, subacute, late, settled',
        ];
        yield 'tools' => [
            'tools', ['tools', 0, 'effective_area_cm2'], 0, 'tools.json /tools/0/effective_area_cm2: 0 is too small, at least 0.5',
        ];
        yield 'positions' => [
            'positions', ['positions', 0, 'family'], 'standing',
            'positions.json /positions/0/family: "standing" is not known, allowed are supine, prone, side_left, side_right, seated',
        ];
        yield 'products' => [
            'products', ['products', 0, 'price'], 3, 'products.json /products/0/price: unknown key, allowed are id, name, use, oil',
        ];
        yield 'demands' => ['demands', ['demands', 0, 'asks'], '', 'demands.json /demands/0/asks: too short, at least 1 characters'];
        yield 'consent areas' => [
            'consent_areas', ['consent_areas', 0],
            ['id' => 'abdomen', 'name' => 'belly', 'ask' => 'May I?', 'muscles' => [], 'zones' => [], 'techniques' => [], 'setups' => []],
            'consent_areas.json /consent_areas/0: missing words',
        ];
        yield 'signs' => ['signs', ['stop', 0, 'goes_on'], 1, 'signs.json /stop/0/goes_on: 1 is no boolean'];
        yield 'conditions' => ['conditions', ['older_age'], 'old', 'conditions.json /older_age: "old" is no number'];
        yield 'red flags' => [
            'red_flags', ['rules', 0, 'verdict'], 'panic',
            'red_flags.json /rules/0/verdict: "panic" is not known, allowed are proceed, modify, defer, refer, emergency',
        ];
        yield 'a place in a limit that is no set of zones' => [
            'finding_rules', ['rules', 11, 'limits', 0, 'where'], 'nek',
            'finding_rules.json /rules/11/limits/0/where: "nek" is no set of zones; nearest are neck, near, arm (45 in all)',
        ];
        yield 'a place somebody feels it in' => [
            'finding_rules', ['rules', 0, 'when', 'at_least', 'of', 0, 'feels', 'in'], 'arms',
            'finding_rules.json /rules/0/when/at_least/of/0/feels/in: "arms" is no set of zones; nearest are arm, legs, ribs (45 in all)',
        ];
        yield 'clot score' => ['clot_score', ['items', 0, 'points'], 9, 'clot_score.json /items/0/points: 9 is too large, at most 2'];
        yield 'regions' => [
            'regions', ['regions', 0, 'quick', 0, 'check'], 'feel',
            'regions.json /regions/0/quick/0/check: "feel" is not known, allowed are range, resisted, test',
        ];
        yield 'pattern' => ['pattern', ['support_curve', 0, 'slope'], 'warm', 'pattern.json /support_curve/0/slope: "warm" is no number'];
        yield 'chains' => ['chains', ['busy_side', 'at_least'], 1, 'chains.json /busy_side/at_least: 1 is too small, at least 2'];
        yield 'planning' => ['planning', ['turn_minutes'], null, 'planning.json /turn_minutes: null is no number'];
        yield 'response' => ['response', ['quiet_visits'], 'two', 'response.json /quiet_visits: "two" is no number'];

        // what one file borrows from another
        yield 'a check that is neither movement nor test' => [
            'regions', ['regions', 1, 'quick', 0, 'id'], 'neck.turning', 'regions.json /regions/1: "neck.turning" is no movement',
        ];
        yield 'a check of a region that stands twice' => [
            'regions', ['regions', 1, 'more', 0], ['check' => 'range', 'id' => 'cervical.rotation'],
            'regions.json /regions/1: "range cervical.rotation" stands twice',
        ];
        yield 'a chain between regions nobody knows' => [
            'chains', ['stiff', 0, 'overworks', 0], 'nec',
            'chains.json /stiff/0/overworks/0: "nec" is no region; allowed are head_jaw, neck, shoulder, chest, upper_back, low_back, hip, thigh, knee, leg_foot, arm_hand',
        ];
        yield 'a zone of two regions' => [
            'regions', ['regions', 1, 'zones', 0], 'chin', 'regions.json /regions/1/zones: "chin" lies in "head_jaw" already',
        ];
        yield 'a zone of no region' => [
            'regions', ['regions', 1, 'zones', 0], 'chin', 'regions.json /regions: the zone "occiput" lies in no region',
        ];
        yield 'a test that is never done with something nobody asks' => [
            'tests', ['tests', 2, 'never', 'flags', 0], 'dizzy',
            'tests.json /tests/2/never/flags/0: "dizzy" is no red flag; nearest are numb_face, intoxicated, hot_red_joint (32 in all)',
        ];
        yield 'a zone nobody knows' => [
            'muscles', ['muscles', 17, 'zones', 0], 'neck_sid',
            'muscles.json /muscles/17/zones/0: "neck_sid" is no zone; nearest are neck_side, neck_back, neck_front (73 in all)',
        ];
        yield 'a landmark nobody knows' => [
            'muscles', ['muscles', 17, 'find', 0, 'landmark'], 'scapula_superior_angel',
            'muscles.json /muscles/17/find/0/landmark: "scapula_superior_angel" is no landmark; nearest are scapula_superior_angle, scapula_inferior_angle, scapula_spine (176 in all)',
        ];
        yield 'an id beside the vocabulary' => [
            'tools', ['tools', 0, 'id'], 'nail',
            'tools.json /tools/0/id: "nail" is no tool of the vocabulary; nearest are palm, cup, fist (16 in all)',
        ];
        yield 'an id of the vocabulary that is gone' => [
            'tools', ['tools', 0, 'id'], 'nail', 'tools.json /tools: the tool "fingertip" of the vocabulary is missing',
        ];
        yield 'an id that stands twice' => [
            'landmarks', ['landmarks', 6, 'id'], 'zygomatic_arch',
            'landmarks.json /landmarks/6/id: the landmark "zygomatic_arch" stands twice, first at /landmarks/5',
        ];

        // what must hold for it to be anatomy
        yield 'lengthened by what it does' => [
            'muscles', ['muscles', 17, 'lengthened_by', 0], ['movement' => 'scapula.elevation', 'side' => 'same'],
            'muscles.json /muscles/17/lengthened_by/0: "scapula.elevation" undoes nothing that "levator_scapulae" does',
        ];
        yield 'lengthened by a movement of elsewhere' => [
            'muscles', ['muscles', 17, 'lengthened_by', 0], ['movement' => 'knee.flexion', 'side' => 'same'],
            'muscles.json /muscles/17/lengthened_by/0: "knee.flexion" undoes nothing that "levator_scapulae" does',
        ];
        yield 'lengthened by turning to the wrong side' => [
            'muscles', ['muscles', 17, 'lengthened_by', 0], ['movement' => 'cervical.rotation', 'side' => 'same'],
            'muscles.json /muscles/17/lengthened_by/0: "cervical.rotation" undoes nothing that "levator_scapulae" does',
        ];
        yield 'lengthened by nothing, without a word' => [
            'muscles', ['muscles', 17, 'lengthened_by'], [],
            'muscles.json /muscles/17/lengthening_note: "levator_scapulae" needs movements that lengthen it or a note why there is none, and not both',
        ];
        yield 'an antagonist that does not know' => [
            'muscles', ['muscles', 17, 'antagonists'], ['gracilis'],
            'muscles.json /muscles/17/antagonists: "gracilis" does not name "levator_scapulae" as its antagonist',
        ];
        yield 'an antagonist that undoes nothing' => [
            'muscles', ['muscles', 17, 'antagonists'], ['gracilis'],
            'muscles.json /muscles/17/antagonists: "gracilis" undoes nothing that "levator_scapulae" does',
        ];
        yield 'a synergist that does nothing of it' => [
            'muscles', ['muscles', 17, 'synergists'], ['soleus'],
            'muscles.json /muscles/17/synergists: "soleus" does nothing that "levator_scapulae" does',
        ];
        yield 'a proof it cannot give' => [
            'muscles', ['muscles', 17, 'proof', 'uses', 0], ['direction' => 'elbow.flexion', 'side' => 'same'],
            'muscles.json /muscles/17/proof/uses/0: asks for "elbow.flexion", which "levator_scapulae" does not do',
        ];
        yield 'covered from below' => [
            'muscles', ['muscles', 17, 'covered_by'], ['suboccipitals'],
            'muscles.json /muscles/17/covered_by: "suboccipitals" lies deeper than "levator_scapulae" and cannot cover it',
        ];
        yield 'out of reach' => [
            'muscles', ['muscles', 17, 'positions', 0], 'upside_down', 'muscles.json /muscles/17/positions: "upside_down" is no position',
        ];
        yield 'nothing to work it with' => [
            'muscles', ['muscles', 17, 'techniques'], ['percussion_tool'],
            'muscles.json /muscles/17/techniques: none of its techniques can be done with any of its tools',
        ];
        yield 'no self-care and no word why' => [
            'muscles', ['muscles', 17, 'self_care'], [],
            'muscles.json /muscles/17/self_care: "levator_scapulae" needs self-care or a word why none suits it, and not both',
        ];
        yield 'a part of a part' => [
            'muscles', ['muscles', 27, 'part_of'], 'obliquus_capitis_superior',
            'muscles.json /muscles/27/part_of: "obliquus_capitis_superior" is a part itself',
        ];
        yield 'a part that reaches farther than its whole' => [
            'muscles', ['muscles', 26, 'zones'], ['temple'], 'muscles.json /muscles/26/zones: "suboccipitals" does not reach "temple"',
        ];
        yield 'a part with a hazard its whole does not know of' => [
            'muscles', ['muscles', 26, 'hazards'], ['eye_ball'],
            'muscles.json /muscles/26/hazards: "suboccipitals" does not know of "eye_ball"',
        ];
        yield 'a part that does more than its whole' => [
            'muscles', ['muscles', 26, 'actions', 0, 'movement'], 'jaw.opening',
            'muscles.json /muscles/26/actions: "suboccipitals" does no jaw.opening:same',
        ];
        yield 'found from nowhere' => [
            'muscles', ['muscles', 17, 'find'], [['landmark' => null, 'do' => 'somewhere']],
            'muscles.json /muscles/17/find: "levator_scapulae" is found from no landmark',
        ];
        yield 'a neighbour that does not know' => [
            'zones', ['zones', 0, 'neighbours'], ['heel'],
            'zones.json /zones/0/neighbours: "vertex" touches "heel", which does not say so of it',
        ];
        yield 'opposites that are not' => [
            'directions', ['directions', 0, 'opposite'], 'knee.flexion',
            'directions.json /directions: "jaw.opening" and "knee.flexion" are not each other\'s opposite',
        ];
    }

    public function test_all_faults_of_all_files_are_told_together(): void
    {
        BrokenAtlas::change(
            $this->folder, 'tools', static fn (array $file): array => ['format' => $file['format'], 'tools' => [['id' => 'fingertip']]],
        );
        file_put_contents("{$this->folder}/zones.json", '{"format": ');
        unlink("{$this->folder}/demands.json");
        file_put_contents("{$this->folder}/moods.json", '{}');

        $lines = array_map(static fn (Fault $one): string => $one->line(), (new AtlasFiles($this->folder))->faults());

        self::assertContains('demands.json #: is missing', $lines);
        self::assertContains('zones.json #: is no JSON: Syntax error', $lines);
        self::assertContains(
            'tools.json /tools/0: missing name, effective_area_cm2, strain, precision, strongest_felt, costs, hand, load, source', $lines,
        );
        self::assertStringStartsWith('moods.json #: is no file of the atlas, allowed are ', $lines[array_key_last($lines)]);
    }

    public function test_loading_a_broken_folder_throws_every_fault_and_keeps_nothing(): void
    {
        BrokenAtlas::change($this->folder, 'muscles', static function (array $file): array {
            $file['muscles'][0]['tissue'] = 'soft';
            $file['muscles'][1]['zones'] = [];

            return $file;
        });
        try {
            Atlas::load($this->folder, "{$this->folder}.compiled");
            self::fail('a broken atlas was loaded');
        } catch (FaultyDocument $refused) {
            self::assertSame([
                'muscles.json /muscles/0/tissue: "soft" is not known, allowed are delicate, ordinary, robust',
                'muscles.json /muscles/1/zones: too few entries, at least 1',
            ], array_map(static fn (Fault $fault): string => $fault->line(), $refused->faults));
        }
        self::assertFileDoesNotExist("{$this->folder}.compiled");
    }
}
