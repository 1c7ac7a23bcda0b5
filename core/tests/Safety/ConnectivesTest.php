<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Safety;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;
use Somatrace\Core\Safety\When\AllOf;
use Somatrace\Core\Safety\When\AnyOf;
use Somatrace\Core\Safety\When\AtLeast;
use Somatrace\Core\Safety\When\BothSides;
use Somatrace\Core\Safety\When\Condition;
use Somatrace\Core\Safety\When\Not;

/** How the conditions of the rules are joined: an unknown part stays unknown unless the others decide without it. */
final class ConnectivesTest extends TestCase
{
    /** @param  string  $parts  y, n or u each */
    #[DataProvider('joined')]
    public function test_parts_are_joined_in_three_answers(string $parts, string $all, string $any, string $two): void
    {
        $said = array_map(self::says(...), str_split($parts));

        self::assertSame([$all, $any, $two], [self::ask(new AllOf($said)), self::ask(new AnyOf($said)), self::ask(new AtLeast(2, $said))]);
    }

    /** @return iterable<string, array{string, string, string, string}> the parts, then all of them, any of them, two of them */
    public static function joined(): iterable
    {
        yield 'all hold' => ['yyy', 'y', 'y', 'y'];
        yield 'one does not' => ['yyn', 'n', 'y', 'y'];
        yield 'one is unknown' => ['yyu', 'u', 'y', 'y'];
        yield 'one holds' => ['ynn', 'n', 'y', 'n'];
        yield 'one holds, one is unknown' => ['ynu', 'n', 'y', 'u'];
        yield 'one holds, the others are unknown' => ['yuu', 'u', 'y', 'u'];
        yield 'none holds' => ['nnn', 'n', 'n', 'n'];
        yield 'one is unknown, none holds' => ['nnu', 'n', 'u', 'n'];
        yield 'two are unknown, none holds' => ['nuu', 'n', 'u', 'u'];
        yield 'nothing is known' => ['uuu', 'u', 'u', 'u'];
        yield 'the order does not matter' => ['uny', 'n', 'y', 'u'];
    }

    public function test_a_denial_turns_an_answer_round_and_leaves_the_unknown(): void
    {
        self::assertSame(
            ['n', 'y', 'u'], array_map(static fn (string $one): string => self::ask(new Not(self::says($one))), ['y', 'n', 'u']),
        );
    }

    #[DataProvider('sides')]
    public function test_both_sides_are_asked_for_themselves(string $left, string $right, string $both): void
    {
        self::assertSame($both, self::ask(new BothSides(self::says($left, $right))));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function sides(): iterable
    {
        yield 'both' => ['y', 'y', 'y'];
        yield 'left only' => ['y', 'n', 'n'];
        yield 'right only' => ['n', 'y', 'n'];
        yield 'right unknown' => ['y', 'u', 'u'];
        yield 'left unknown, right not' => ['u', 'n', 'n'];
    }

    private static function says(string $left, ?string $right = null): Condition
    {
        return new class(self::answer($left), self::answer($right ?? $left)) implements Condition
        {
            public function __construct(private readonly Answer $left, private readonly Answer $right)
            {
            }

            public function holds(Intake $intake, ?Side $side = null): Answer
            {
                return $side === Side::Right ? $this->right : $this->left;
            }
        };
    }

    private static function answer(string $letter): Answer
    {
        return match ($letter) {
            'y' => Answer::Yes,
            'n' => Answer::No,
            default => Answer::Unknown,
        };
    }

    private static function ask(Condition $condition): string
    {
        // the parts answer by themselves, so that nobody has to be asked
        $intake = (new \ReflectionClass(Intake::class))->newInstanceWithoutConstructor();

        return $condition->holds($intake)->value[0];
    }
}
