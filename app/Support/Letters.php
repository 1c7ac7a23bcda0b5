<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Client;
use App\Models\Clinic;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;

/** The few mails there are, in plain text: a link, how long it holds, and nothing of what anybody is treated for. */
final readonly class Letters
{
    public function invite(User $person, string $by): void
    {
        $link = self::link(
            'password.reset', ['token' => Password::broker('invitations')->createToken($person), 'email' => $person->email, 'invited' => 1],
        );
        $this->send(
            $person->email, __(':clinic: your account', ['clinic' => $person->clinic->name]),
            __(':by invites you to :clinic.', ['by' => $by, 'clinic' => $person->clinic->name]),
            __('Choose a password here, within a week:')."\n$link",
        );
    }

    public function reset(User $person): void
    {
        $link = self::link('password.reset', ['token' => Password::broker()->createToken($person), 'email' => $person->email]);
        $this->send(
            $person->email, __('A new password'),
            __('Somebody asked for a new password for this address. If it was you, choose one here within an hour:')."\n$link",
            __('If it was not, nothing has changed and nothing needs doing.'),
        );
    }

    /** How was it? Asks nothing in the mail itself, and says nothing of why they came. */
    public function askBack(Client $client, Clinic $clinic, string $link, CarbonImmutable $until): void
    {
        $name = Str::before($client->name, ' ');
        $this->send(
            (string) $client->email, __(':clinic: how was it?', ['clinic' => $clinic->name]),
            __(':name, how have you been since you were here? It takes a minute:', ['name' => $name])
                ."\n".self::link('check-in.show', $link),
            __('The link works once, on one device, until :until. If something worries you, do not write: ring us.', [
                'until' => $clinic->dateWords($until->setTimezone($clinic->timezone)),
            ]),
        );
    }

    /**
     * An address to hand out: from APP_URL, never from what a request says its host is.
     *
     * @param  array<string, mixed>|string  $parameters
     */
    public static function link(string $route, array|string $parameters): string
    {
        return rtrim(Config::string('app.url'), '/').route($route, $parameters, false);
    }

    private function send(string $address, string $subject, string ...$paragraphs): void
    {
        Mail::raw(implode("\n\n", $paragraphs)."\n", static function (Message $message) use ($address, $subject): void {
            $message->to($address)->subject($subject);
        });
    }
}
