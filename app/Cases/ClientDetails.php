<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Client;
use App\Models\ClientContact;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;
use Somatrace\Core\Data\Fault;

/** Who a client is, as forms and files tell it: one set of rules for both. */
final readonly class ClientDetails
{
    public const KEYS = [
        'name', 'pronoun', 'born_on', 'sex', 'hand', 'mass_kg', 'skin', 'stoic', 'guardian_name', 'occupation', 'email', 'phone', 'address',
    ];

    /** Not for reception: what hands need to know. */
    public const CLINICAL = ['hand', 'mass_kg', 'skin', 'stoic'];

    public const MOST_CONTACTS = 4;

    public const PRONOUNS = ['she', 'he', 'they', 'unsaid'];

    public const SEXES = ['female', 'male', 'other', 'unsaid'];

    public const SKINS = ['usual', 'dry', 'hairy', 'fragile'];

    public const HANDS = ['left', 'right', 'both'];

    /**
     * @param  bool  $clinical  whether it is told by somebody who may say what is clinical
     * @return array<string, mixed>
     */
    public static function rules(bool $clinical = true): array
    {
        return [
            ...self::plainRules(),
            ...$clinical ? self::clinicalRules() : array_fill_keys(self::CLINICAL, ['prohibited']),
        ];
    }

    /** @return array<string, mixed> */
    private static function clinicalRules(): array
    {
        return [
            'hand' => ['nullable', Rule::in(self::HANDS)],
            'mass_kg' => ['nullable', 'numeric', 'between:3,400'],
            'skin' => ['nullable', Rule::in(self::SKINS)],
            'stoic' => ['boolean'],
        ];
    }

    /** @return array<string, mixed> */
    private static function plainRules(): array
    {
        return [
            'name' => ['required', 'string', 'min:2', 'max:120'],
            'pronoun' => ['required', Rule::in(self::PRONOUNS)],
            'born_on' => [
                'bail', 'required', 'string', 'date_format:Y-m-d', 'before:today', 'after:'.now()->subYears(115)->format('Y-m-d'),
            ],
            'sex' => ['nullable', Rule::in(self::SEXES)],
            'occupation' => ['nullable', 'string', 'max:80'],
            'guardian_name' => ['nullable', 'string', 'min:2', 'max:120'],
            'email' => ['nullable', 'email', 'max:190'],
            'phone' => ['nullable', 'string', 'max:40', 'regex:/^[0-9+() .\/-]{3,}$/'],
            'address' => ['nullable', 'string', 'max:300'],
            'contacts' => ['array', 'list', 'max:'.self::MOST_CONTACTS],
            'contacts.*.kind' => ['required', Rule::in(ClientContact::KINDS)],
            'contacts.*.name' => ['required', 'string', 'min:2', 'max:120'],
            'contacts.*.phone' => ['nullable', 'string', 'max:40', 'regex:/^[0-9+() .\/-]{3,}$/'],
            'contacts.*.email' => ['nullable', 'email', 'max:190'],
            'contacts.*.note' => ['nullable', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public static function messages(): array
    {
        return [
            'name.required' => 'A name, please: any name the client goes by.',
            'name.min' => 'At least two letters, please.',
            'born_on.required' => 'The date of birth decides about some limits; please fill it in.',
            'born_on.date_format' => 'A date like 1987-04-23, please.',
            'born_on.before' => 'This date has not been yet.',
            'born_on.after' => 'Nobody is that old.',
            'mass_kg.between' => 'Between 3 and 400 kg, please.',
            'mass_kg.numeric' => 'A number of kilograms, please.',
            'phone.regex' => 'Digits, spaces, + and brackets, please.',
            'email.email' => 'This is no mail address.',
            'stoic.boolean' => 'Yes or no, please.',
            'contacts.max' => 'At most four, please.',
            'contacts.*.name.required' => 'A name, please.',
            'contacts.*.name.min' => 'At least two letters, please.',
            'contacts.*.phone.regex' => 'Digits, spaces, + and brackets, please.',
            'contacts.*.email.email' => 'This is no mail address.',
            'contacts.*.kind.in' => 'One of: :values.',
            'pronoun.in' => 'One of: :values.', 'sex.in' => 'One of: :values.',
            'skin.in' => 'One of: :values.', 'hand.in' => 'One of: :values, or nothing.',
            'max' => 'Too long: at most :max characters.',
        ];
    }

    /** @return array<string, mixed> with its code and contacts; nothing is left out */
    public static function of(Client $client): array
    {
        return [
            'code' => $client->code, ...$client->only(self::KEYS), 'born_on' => $client->born_on->format('Y-m-d'),
            'contacts' => $client->contacts
                ->sortBy('id')
                ->map(static fn (ClientContact $one): array => $one->only(ClientContact::PARTS))
                ->values()
                ->all(),
        ];
    }

    /**
     * Whether the rules would certainly say nothing: for files of tens of thousands, most of whose rows are in order and whose rules take a
     * millisecond each. In doubt it is not plain.
     *
     * @param  array<string, mixed>  $details
     */
    public static function isPlain(array $details): bool
    {
        $text = static fn (mixed $value, int $least, int $most): bool => is_string($value)
            && trim($value) !== ''
            && mb_strlen($value) >= $least
            && mb_strlen($value) <= $most;
        $perhaps = static fn (mixed $value, int $least, int $most): bool => $value === null || $text($value, $least, $most);
        $mail = static fn (mixed $value): bool => $value === null
            || (
                is_string($value)
                    && strlen($value) <= 190
                    && preg_match('/^[A-Za-z0-9]+([._+-][A-Za-z0-9]+)*@[A-Za-z0-9]+([.-][A-Za-z0-9]+)*\.[A-Za-z]{2,}$/D', $value) === 1
            );
        $phone = static fn (mixed $value): bool => $value === null
            || (is_string($value) && strlen($value) <= 40 && preg_match('/^[0-9+() .\/-]{3,}$/D', $value) === 1 && trim($value) !== '');
        $born = $details['born_on'] ?? null;
        $contacts = $details['contacts'] ?? [];
        $mass = $details['mass_kg'] ?? null;
        $plain = (
            ($details['code'] ?? null) === null
                || (
                    is_string($details['code'])
                        && strlen($details['code']) <= 12
                        && preg_match('/^[A-Z]{1,3}-[0-9]{2,}$/D', $details['code']) === 1
                )
        )
            && $text($details['name'] ?? null, 2, 120)
                && in_array($details['pronoun'] ?? null, self::PRONOUNS, true)
                && in_array($details['sex'] ?? 'unsaid', self::SEXES, true)
            && is_string($born)
                && preg_match('/^(\d{4})-(\d\d)-(\d\d)$/D', $born, $day) === 1
                && checkdate((int) $day[2], (int) $day[3], (int) $day[1])
                && $born < now()->format('Y-m-d')
                && $born > now()->subYears(115)->format('Y-m-d')
            && (($details['hand'] ?? null) === null || in_array($details['hand'], self::HANDS, true))
                && ($mass === null || ((is_int($mass) || is_float($mass)) && $mass >= 3 && $mass <= 400))
                && (($details['skin'] ?? null) === null || in_array($details['skin'], self::SKINS, true))
                && (($details['stoic'] ?? null) === null || is_bool($details['stoic']))
            && $perhaps($details['guardian_name'] ?? null, 2, 120)
                && $perhaps($details['occupation'] ?? null, 1, 80)
                && $perhaps($details['address'] ?? null, 1, 300)
                && $mail($details['email'] ?? null)
                && $phone($details['phone'] ?? null)
            && is_array($contacts) && array_is_list($contacts) && count($contacts) <= self::MOST_CONTACTS;
        foreach ($plain ? $contacts : [] as $one) {
            $plain = $plain
                && is_array($one)
                && in_array($one['kind'] ?? null, ClientContact::KINDS, true)
                && $text($one['name'] ?? null, 2, 120)
                && $phone($one['phone'] ?? null)
                && $mail($one['email'] ?? null)
                && $perhaps($one['note'] ?? null, 1, 200);
        }

        return $plain;
    }

    /**
     * @param  array<string, mixed>  $details
     * @return list<Fault> each at its key
     */
    public static function faults(array $details, string $place): array
    {
        if (self::isPlain($details)) {
            return [];
        }
        $faults = [];
        $rules = ['code' => ['nullable', 'string', 'max:12', 'regex:/^[A-Z]{1,3}-[0-9]{2,}$/'], ...self::rules()];
        foreach (
            Validator::make(
                array_filter($details, static fn (mixed $value): bool => $value !== null), $rules,
                ['code.regex' => 'A code is letters, a line and digits, such as AB-07.', ...self::messages()],
            )->errors()->messages() as $key
                => $messages
        ) {
            array_push($faults, ...array_map(static fn (string $message): Fault => new Fault("$place, $key", $message), $messages));
        }

        return $faults;
    }
}
