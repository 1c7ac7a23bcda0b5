<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Anatomy;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Search;
use Somatrace\Core\Tests\Support\Core;

final class SearchTest extends TestCase
{
    private static ?Search $search = null;

    public static function tearDownAfterClass(): void
    {
        self::$search = null;
    }

    #[DataProvider('complaints')]
    public function test_what_people_say_finds_the_muscle_among_the_first_five(string $said, string $muscle): void
    {
        self::assertContains($muscle, array_column($this->find($said, 5, 'muscle'), 'id'));
    }

    /** @return iterable<string, array{string, string}> said in other words than the atlas says it */
    public static function complaints(): iterable
    {
        foreach ([
            'pain beside the eye' => 'sternocleidomastoid_sternal',
            'cannot look over the shoulder' => 'levator_scapulae',
            'I get headaches behind my eyes after a day at the screen' => 'suboccipitals',
            'my jaw clicks when I eat' => 'lateral_pterygoid',
            'I grind my teeth and my temples hurt' => 'temporalis',
            'sore between my shoulderblades' => 'rhomboids',
            'the front of my shoulder aches at night when I lie on it' => 'infraspinatus',
            'cant get my hand behind my back to do my bra' => 'infraspinatus',
            'pins and needles in the ring and little finger' => 'pectoralis_minor',
            'outside of the elbow hurts when shaking hands' => 'extensor_carpi_radialis',
            'my thumb is sore from texting' => 'flexor_pollicis_longus',
            'low back pain when I turn over in bed' => 'quadratus_lumborum',
            'I cannot straighten up after sitting for long' => 'psoas_major',
            'sciatica in the bum and down the back of the leg' => 'piriformis',
            'pain on the outside of the hip when I lie on it' => 'gluteus_medius',
            'hamstrings too short to touch my toes' => 'biceps_femoris',
            'front of the knee hurts on the stairs' => 'rectus_femoris',
            'calf cramps at night' => 'gastrocnemius',
            'the heel hurts with the first steps in the morning' => 'plantar_fascia',
            'shin splints from running' => 'tibialis_anterior',
            'a stitch in the side when I run' => 'diaphragm',
            'ears ringing and I clench' => 'masseter',
            'ankle keeps turning over' => 'fibularis_longus_brevis',
            'pain deep in the groin' => 'pectineus',
        ] as $said => $muscle) {
            yield $said => [$said, $muscle];
        }
    }

    #[DataProvider('slips')]
    public function test_typing_errors_and_half_typed_words_are_forgiven(string $typed, string $kind, string $id): void
    {
        $first = $this->find($typed, 3)[0] ?? null;

        self::assertSame("$kind:$id", $first === null ? null : "{$first['kind']}:{$first['id']}");
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function slips(): iterable
    {
        yield 'a letter wrong' => ['levater scapulae', 'muscle', 'levator_scapulae'];
        yield 'a letter missing' => ['subscapulris', 'muscle', 'subscapularis'];
        yield 'two letters changed places' => ['soelus', 'muscle', 'soleus'];
        yield 'half a word' => ['rhomb', 'muscle', 'rhomboids'];
        yield 'capitals and a full stop' => ['  PIRIFORMIS. ', 'muscle', 'piriformis'];
        yield 'a synonym in letters' => ['QL', 'muscle', 'quadratus_lumborum'];
        yield 'a movement' => ['turning the head', 'movement', 'cervical.rotation'];
        yield 'a landmark' => ['coracoid', 'landmark', 'coracoid_process'];
        yield 'cups as they are called' => ['cupping', 'technique', 'gliding_cups'];
        yield 'heat' => ['heat pack', 'technique', 'moist_heat'];
        yield 'a scraping edge' => ['scraping', 'technique', 'scraping'];
        yield 'lymph' => ['lymph drainage', 'technique', 'lymph_strokes'];
        yield 'a technique' => ['pin and lengthen', 'technique', 'pin_and_lengthen'];
        yield 'a test' => ['knee to wall', 'test', 'knee_to_wall'];
    }

    public function test_nothing_asked_and_nothing_known_find_nothing(): void
    {
        self::assertSame([], $this->find('', 5));
        self::assertSame([], $this->find('   ,,, ', 5));
        self::assertSame([], $this->find('the and of', 5));
        self::assertSame([], $this->find('xqzzkw', 5));
    }

    public function test_every_muscle_is_found_first_by_its_own_name(): void
    {
        foreach (Core::clinic()->atlas()->muscles as $muscle) {
            self::assertSame($muscle->id, $this->find($muscle->name, 1, 'muscle')[0]['id'] ?? null, $muscle->name);
        }
    }

    public function test_every_complaint_of_the_atlas_finds_a_muscle_that_has_it_at_once(): void
    {
        foreach (Core::clinic()->atlas()->muscles as $muscle) {
            foreach ($muscle->reference()->complaints as $complaint) {
                $first = array_column($this->find($complaint, 3, 'muscle'), 'id');
                $said = array_merge(
                    ...array_map(static fn (string $id): array => Core::clinic()->atlas()->muscle($id)->reference()->complaints, $first),
                );
                self::assertContains($complaint, $said, "$complaint → ".implode(', ', $first));
            }
        }
    }

    public function test_the_order_of_the_words_does_not_matter(): void
    {
        self::assertSame($this->find('pain beside the eye', 6), $this->find('eye the beside pain', 6));
    }

    public function test_every_muscle_is_found_by_its_name_and_by_each_word_people_have_for_it(): void
    {
        foreach (Core::clinic()->atlas()->muscles as $muscle) {
            foreach ([$muscle->name, ...$muscle->reference()->synonyms] as $word) {
                self::assertContains($muscle->id, array_column($this->find($word, 6, 'muscle'), 'id'), "$word → {$muscle->id}");
            }
        }
    }

    /** @return list<array{kind: string, id: string, name: string, plain: string|null, because: string, score: float}> */
    private function find(string $asked, int $most, ?string $kind = null): array
    {
        self::$search ??= Core::clinic()->search();

        return self::$search->find($asked, $most, $kind);
    }
}
