<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Str;

/** Makes an account, or gives an existing one a new password, and prints it once. */
final class AddUser extends Command
{
    protected $signature = 'foehn:user {email} {name?}';

    protected $description = 'Make an account and print its password';

    public function handle(): int
    {
        $email = (string) $this->argument('email');
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            $this->error("\"$email\" is no e-mail address");

            return 2;
        }
        $password = Str::password(16, symbols: false);
        $user = User::query()->updateOrCreate(['email' => $email], ['name' => $this->argument('name') ?? Str::before($email, '@'), 'password' => $password]);
        $this->line(sprintf('%s %s, password: %s', $user->wasRecentlyCreated ? 'Made the account' : 'New password for', $email, $password));

        return self::SUCCESS;
    }
}
