<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\ClientDetails;
use PHPUnit\Framework\Attributes\DataProvider;
use Somatrace\Core\Data\Fault;
use Tests\TestCase;

/** What may stand about a client, told by a form or a file, at both sides of each limit; in English, to whoever filled it in. */
final class ClientDetailsTest extends TestCase
{
    private const SOUND = [
        'code' => 'IV-07', 'name' => 'Ida Vane', 'pronoun' => 'she', 'born_on' => '1980-02-03', 'sex' => 'female', 'hand' => 'left',
        'mass_kg' => 61.5, 'skin' => 'dry', 'stoic' => true, 'guardian_name' => 'Una Vane', 'occupation' => 'carver',
        'email' => 'ida.vane@post.example', 'phone' => '+44 (20) 123-4/5.6', 'address' => "3 Quay Street\nHarbour",
        'contacts' => [self::CONTACT],
    ];

    private const CONTACT = [
        'kind' => 'doctor', 'name' => 'Dr Finch', 'phone' => '+44 20 1', 'email' => 'finch@post.example', 'note' => 'mornings',
    ];

    /** @param  array<string, mixed>  $told */
    #[DataProvider('allowed')]
    public function test_it_may_stand_and_is_seen_at_a_glance(array $told): void
    {
        $this->travelTo('2026-11-28 12:00:00');
        $details = [...self::SOUND, ...$told];

        self::assertTrue(ClientDetails::isPlain($details));
        self::assertSame([], ClientDetails::faults($details, 'line 2'));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function allowed(): iterable
    {
        yield 'everything' => [[]];
        yield 'nothing but what is asked of everybody' => [[
            ...array_fill_keys(array_keys(self::SOUND), null), 'name' => 'Bo', 'pronoun' => 'unsaid', 'born_on' => '1980-02-03',
            'contacts' => [],
        ]];
        foreach (
            [
                'code' => ['A-01', 'ABC-12345678'], 'name' => ['Bo', str_repeat('é', 120)], 'pronoun' => ['he', 'they', 'unsaid'],
                'born_on' => ['2026-11-27', '1911-11-29', '2024-02-29'], 'sex' => ['male', 'other', 'unsaid'], 'hand' => ['right', 'both'],
                'mass_kg' => [3, 400, 3.0, 71], 'skin' => ['usual', 'hairy', 'fragile'], 'stoic' => [false],
                'guardian_name' => ['Bo', str_repeat('x', 120)], 'occupation' => ['x', str_repeat('x', 80)],
                'email' => ['a@b.ce', 'a.b-c_d+e@f-g.h.example', str_repeat('a', 50).'@'.str_repeat('b', 60).'.'.str_repeat('c', 60).'.ex'],
                'phone' => ['123', '+44', str_repeat('1', 40)], 'address' => ['x', str_repeat('x', 300)],
                'contacts' => [
                    array_fill(0, 4, self::CONTACT), [[...self::CONTACT, 'phone' => null, 'email' => null, 'note' => null]],
                    [[...self::CONTACT, 'kind' => 'emergency', 'name' => 'Bo', 'note' => str_repeat('x', 200)]],
                    [['kind' => 'emergency', 'name' => str_repeat('x', 120)]],
                ],
            ] as $key => $values
        ) {
            foreach ($values as $index => $value) {
                yield "$key $index" => [[$key => $value]];
            }
        }
    }

    /** @param  array<string, mixed>  $told */
    #[DataProvider('refused')]
    public function test_it_may_not_stand_and_it_is_said_where_and_why(array $told, string $place, string $words): void
    {
        $this->travelTo('2026-11-28 12:00:00');
        $details = [...self::SOUND, ...$told];

        self::assertFalse(ClientDetails::isPlain($details));
        self::assertSame(
            ["line 2, $place: $words"],
            array_map(static fn (Fault $fault): string => $fault->pointer.': '.$fault->message, ClientDetails::faults($details, 'line 2')),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> what is told, the field, the words */
    public static function refused(): iterable
    {
        $contact = static fn (array $told): array => [[...self::CONTACT, ...$told]];
        foreach (
            [
                ['code', 'ABCD-1', 'A code is letters, a line and digits, such as AB-07.'],
                ['code', 'AB-7', 'A code is letters, a line and digits, such as AB-07.'],
                ['code', 'AB-1234567890', 'Too long: at most 12 characters.'],
                ['name', null, 'A name, please: any name the client goes by.'],
                ['name', ' ', 'A name, please: any name the client goes by.'],
                ['name', 'B', 'At least two letters, please.'], ['name', str_repeat('é', 121), 'Too long: at most 120 characters.'],
                ['pronoun', 'it', 'One of: she, he, they, unsaid.'], ['sex', 'none', 'One of: female, male, other, unsaid.'],
                ['born_on', null, 'The date of birth decides about some limits; please fill it in.'],
                ['born_on', '3 May 1980', 'A date like 1987-04-23, please.'], ['born_on', '2023-02-29', 'A date like 1987-04-23, please.'],
                ['born_on', '2026-11-28', 'This date has not been yet.'], ['born_on', '1911-11-28', 'Nobody is that old.'],
                ['hand', 'none', 'One of: left, right, both, or nothing.'], ['skin', 'blue', 'One of: usual, dry, hairy, fragile.'],
                ['mass_kg', 2.9, 'Between 3 and 400 kg, please.'], ['mass_kg', 400.5, 'Between 3 and 400 kg, please.'],
                ['stoic', 'perhaps', 'Yes or no, please.'], ['guardian_name', str_repeat('x', 121), 'Too long: at most 120 characters.'],
                ['occupation', str_repeat('x', 81), 'Too long: at most 80 characters.'],
                ['address', str_repeat('x', 301), 'Too long: at most 300 characters.'],
                ['phone', '12', 'Digits, spaces, + and brackets, please.'], ['phone', 'ask Bo', 'Digits, spaces, + and brackets, please.'],
                ['phone', str_repeat('1', 41), 'Too long: at most 40 characters.'], ['email', 'home', 'This is no mail address.'],
                ['contacts', array_fill(0, 5, self::CONTACT), 'At most four, please.'],
                ['contacts.0.kind', 'aunt', 'One of: '.implode(', ', \App\Models\ClientContact::KINDS).'.'],
                ['contacts.0.name', '', 'A name, please.'], ['contacts.0.name', 'B', 'At least two letters, please.'],
                ['contacts.0.name', str_repeat('x', 121), 'Too long: at most 120 characters.'],
                ['contacts.0.phone', 'ask', 'Digits, spaces, + and brackets, please.'],
                ['contacts.0.email', 'home', 'This is no mail address.'],
                ['contacts.0.note', str_repeat('x', 201), 'Too long: at most 200 characters.'],
            ] as $index => [$place, $value, $words]
        ) {
            $key = str_replace('contacts.0.', '', $place);
            yield "$index: $place" => [$key === $place ? [$key => $value] : ['contacts' => $contact([$key => $value])], $place, $words];
        }
    }

    public function test_what_is_clinical_is_no_field_for_who_may_not_say_it(): void
    {
        self::assertSame(['prohibited'], ClientDetails::rules(false)['mass_kg']);
        self::assertSame(array_keys(ClientDetails::rules()), array_unique([...array_keys(ClientDetails::rules(false))]));
        self::assertNotContains('prohibited', array_merge(...array_values(ClientDetails::rules())));
    }
}
