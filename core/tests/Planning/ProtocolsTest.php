<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\FaultyDocument;
use Somatrace\Core\Planning\Protocol;
use Somatrace\Core\Planning\Protocols;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** Plans with a name: the same on either side, judged anew for whoever they are applied to. */
final class ProtocolsTest extends TestCase
{
    public function test_six_ship_and_each_is_read_like_one_that_is_brought(): void
    {
        $all = self::protocols()->shipped();

        self::assertCount(6, $all);
        foreach ($all as $id => $one) {
            self::assertEquals($one, self::protocols()->read((string) json_encode($one->toArray())), $id);
            self::assertGreaterThan(40, strlen($one->about), "$id says what it is for");
            self::assertNotSame([], $one->zones, $id);
            self::assertNotSame([], $one->notWith, $id);
        }
    }

    /** Applied to somebody it is meant for, who is healthy but for the complaint, nearly all of it is worked. */
    #[DataProvider('shipped')]
    public function test_what_ships_can_be_done(string $id): void
    {
        $protocol = self::protocols()->shipped()[$id];
        $case = CaseBuilder::aCase()->complaint($protocol->zones[0], 'right', 6)
            ->agreed('front_of_neck', 'face', 'armpit', 'chest_wall', 'buttock', 'mouth', 'breast_adjacent', 'hair_and_scalp', 'groin')
            ->visited('2026-02-20', [])->visited('2026-02-24', [])
            ->with(['session' => ['minutes' => 90, 'targets' => $protocol->targets(Side::Right)]])->make();
        $plan = Core::clinic()->plan($case)->toArray();
        $rows = self::protocols()->outcome($protocol, Side::Right, $plan);

        self::assertSame([], self::protocols()->unfit($protocol, $case));
        self::assertCount(count($protocol->targets(Side::Right)), $rows);
        $out = array_filter($rows, static fn (array $row): bool => $row['minutes'] === null);
        self::assertLessThanOrEqual(1, count($out), json_encode($out, JSON_PRETTY_PRINT) ?: '');
    }

    /** @return iterable<string, array{string}> */
    public static function shipped(): iterable
    {
        foreach (array_keys(self::protocols()->shipped()) as $id) {
            yield $id => [$id];
        }
    }

    public function test_it_is_mirrored_with_the_side_it_is_applied_to(): void
    {
        $protocol = self::protocol([
            ['muscle' => 'soleus', 'side' => 'same', 'position' => 'side_up'],
            ['muscle' => 'quadratus_lumborum', 'side' => 'opposite', 'position' => 'side_down', 'size' => 'short'],
            ['muscle' => 'levator_scapulae', 'side' => 'same', 'setup' => ['id' => 'arm_back_at_side', 'side' => 'same']],
        ]);
        $of = static fn (Side $side, string $field): array => array_column($protocol->targets($side), $field);

        self::assertSame(['left', 'right', 'left'], $of(Side::Left, 'side'));
        self::assertSame(['right', 'left', 'right'], $of(Side::Right, 'side'));
        self::assertSame(['side_right', 'side_right'], $of(Side::Left, 'position'));
        self::assertSame(['side_left', 'side_left'], $of(Side::Right, 'position'));
        self::assertSame([['id' => 'arm_back_at_side', 'side' => 'right']], $of(Side::Right, 'setup'));
        self::assertSame([1, 2, 3], $of(Side::Left, 'order'));
        self::assertSame([true, true, true], $of(Side::Left, 'lock'), 'it comes before what the plan would choose by itself');
    }

    public function test_what_was_set_for_one_client_becomes_rows_that_say_the_same(): void
    {
        $rows = [
            ['muscle' => 'soleus', 'side' => 'same', 'position' => 'side_up', 'size' => 'long'],
            ['muscle' => 'quadratus_lumborum', 'side' => 'opposite', 'setup' => ['id' => 'arm_overhead', 'side' => 'same']],
            ['joint' => ['kind' => 'neck_level', 'level' => 'C4'], 'side' => 'same'],
        ];
        foreach (Side::pair() as $side) {
            self::assertSame($rows, Protocol::rows(self::protocol($rows)->targets($side), $side));
        }
    }

    public function test_for_whom_it_is_not_meant_it_says_why(): void
    {
        $protocol = self::protocol([['muscle' => 'soleus', 'side' => 'same']], [
            'zones' => ['calf_lower'], 'not_with' => ['clot_history'], 'from_visit' => 3, 'stages' => ['late', 'settled'],
        ]);
        $unfit = static fn (CaseBuilder $case): array => self::protocols()->unfit($protocol, $case->make());
        $fit = static fn (): CaseBuilder => CaseBuilder::aCase()->complaint('calf_lower', 'left', 4)
            ->visited('2026-02-10', [])->visited('2026-02-20', []);

        self::assertSame([], $unfit($fit()));
        self::assertSame(['Meant from visit 3 on.'], $unfit(CaseBuilder::aCase()->complaint('calf_lower', 'left', 4)));
        self::assertSame(['Meant for a complaint elsewhere.'], $unfit(
            CaseBuilder::aCase()->complaint('forehead', 'left', 4)->visited('2026-02-10', [])->visited('2026-02-20', []),
        ));
        self::assertStringStartsWith('Not meant with ', $unfit($fit()->condition('clot_history'))[0]);
        self::assertSame(['Not while something is acute.'], $unfit($fit()->condition('muscle_strain', ['stage' => 'acute'])));
    }

    /** What a limit forbids falls out with its reason, whatever the protocol says. */
    public function test_applied_to_a_client_with_a_limit_it_is_judged_anew_step_by_step(): void
    {
        $protocol = self::protocol([
            ['muscle' => 'gastrocnemius', 'side' => 'same', 'technique' => 'cross_fibre'], ['muscle' => 'popliteus', 'side' => 'same'],
            ['muscle' => 'biceps_femoris', 'side' => 'same', 'tool' => 'elbow'],
        ]);
        $case = CaseBuilder::aCase()->complaint('calf_upper', 'left', 5)->condition('anticoagulant_or_clotting_disorder')
            ->with(['session' => ['minutes' => 60, 'targets' => $protocol->targets(Side::Left)]])->make();
        $rows = self::protocols()->outcome($protocol, Side::Left, Core::clinic()->plan($case)->toArray());

        self::assertSame(['Gastrocnemius, left', 'Popliteus, left', 'Biceps femoris, left'], array_column($rows, 'name'));
        self::assertNotSame([], $rows[0]['because']);
        self::assertStringContainsString('elbow', implode(' ', $rows[2]['because']));
        foreach ($rows as $row) {
            self::assertTrue($row['minutes'] !== null || ($row['because'][0] ?? '') !== '', 'what falls out says why');
        }
    }

    /** @param  array<string, mixed>|string  $file */
    #[DataProvider('wrong')]
    public function test_a_file_that_is_none_is_refused_and_says_where(array|string $file, string $says): void
    {
        try {
            self::protocols()->read(is_string($file) ? $file : (string) json_encode($file));
            self::fail('it was read');
        } catch (FaultyDocument $fault) {
            self::assertStringContainsString($says, $fault->getMessage());
        }
    }

    /** @return iterable<string, array{array<string, mixed>|string, string}> */
    public static function wrong(): iterable
    {
        $one = self::file([['muscle' => 'soleus', 'side' => 'same']]);
        yield 'no JSON' => ['{', 'not valid JSON'];
        yield 'another file' => [['format' => 'somatrace.case'], 'no protocol'];
        yield 'no target' => [[...$one, 'targets' => []], '/targets'];
        yield 'a muscle nobody has' => [[...$one, 'targets' => [['muscle' => 'wing_flexor', 'side' => 'same']]], '/targets/0'];
        yield 'a side of its own' => [[...$one, 'targets' => [['muscle' => 'soleus', 'side' => 'left']]], '/targets/0/side'];
        yield 'a condition nobody knows' => [[...$one, 'conditions' => ['not_with' => ['bad_mood']]], '/conditions/not_with'];
        yield 'a zone nobody knows' => [[...$one, 'conditions' => ['zones' => ['wing']]], '/conditions/zones'];
        yield 'something it has no place for' => [[...$one, 'price' => 80], 'price'];
        yield 'endless' => [str_repeat(' ', 70000), 'larger'];
    }

    /**
     * @param  list<array<string, mixed>>  $targets
     * @param  array<string, mixed>  $conditions
     * @return array<string, mixed>
     */
    private static function file(array $targets, array $conditions = []): array
    {
        return [
            'format' => 'somatrace.protocol', 'version' => 1, 'name' => 'Tried', 'about' => '', 'conditions' => (object) $conditions,
            'targets' => $targets,
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $targets
     * @param  array<string, mixed>  $conditions
     */
    private static function protocol(array $targets, array $conditions = []): Protocol
    {
        return self::protocols()->read((string) json_encode(self::file($targets, $conditions)));
    }

    private static function protocols(): Protocols
    {
        return Core::clinic()->protocols();
    }
}
