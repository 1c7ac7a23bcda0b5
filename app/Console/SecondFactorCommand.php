<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\SecondFactor;
use App\Models\User;
use App\Support\Audit;
use Illuminate\Console\Command;

/** For the sole owner who lost both the app and the recovery codes: nobody else in the clinic could reset it. */
final class SecondFactorCommand extends Command
{
    protected $signature = 'somatrace:second-factor {email : whose second factor is reset}';

    protected $description = 'Resets the second factor of an account: it signs in with the password alone until it is set up anew';

    public function handle(SecondFactor $factor): int
    {
        $user = User::query()->where('email', (string) $this->argument('email'))->first();
        if ($user === null) {
            $this->error('Nobody here has this address.');

            return self::FAILURE;
        }
        $factor->takeAway($user);
        Audit::keeping('second factor reset', "account {$user->id}");
        $this->line('It is off. Set it up anew under your name on Today.');

        return self::SUCCESS;
    }
}
