<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

/** Who is signed in. */
final class SessionController
{
    public function show(Request $request): JsonResponse
    {
        $user = $request->user();

        return response()->json([
            'user' => $user === null ? null : ['id' => $user->id, 'name' => $user->name],
            'demo' => config('app.demo'),
            'keep' => ['runs' => config('app.keep.runs'), 'deletedDays' => config('app.keep.deleted_days')],
            'token' => $request->session()->token(),
        ]);
    }

    public function store(Request $request): JsonResponse
    {
        $request->validate(['email' => ['required', 'email'], 'password' => ['required', 'string']]);
        if (! Auth::attempt($request->only(['email', 'password']))) {
            throw ValidationException::withMessages(['email' => 'No account has this e-mail address and password.']);
        }
        $request->session()->regenerate();

        return $this->show($request);
    }

    /** Enters as the demo engineer; only on an installation that allows it. */
    public function demo(Request $request): JsonResponse
    {
        abort_unless((bool) config('app.demo'), 404);
        Auth::login(User::query()->where('demo', true)->firstOrFail());
        $request->session()->regenerate();

        return $this->show($request);
    }

    public function destroy(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return $this->show($request->setUserResolver(fn () => null));
    }
}
