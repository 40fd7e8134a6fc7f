#!/usr/bin/python3
"""A folder whose power fails: a file system in memory that keeps of what was written only what was synced.

powercut.py MOUNT FROM TO SEED mounts MOUNT with what FROM holds. On SIGUSR1 the power fails: TO gets, of every file, what was synced, and of
the writes after that each one by chance, as a disk does that writes in an order of its own; names only as their folder was synced. From then
on every call fails. Wants Debian's fuse3 and python3-fusepy.
"""
import errno
import os
import random
import signal
import stat
import sys
import time

from fusepy import FUSE, FuseOSError, Operations


class File:
    def __init__(self, content=b"", mode=0o600):
        self.now = bytearray(content)
        self.synced = bytearray(content)
        self.unsynced = []  # (offset, bytes), or (length, None) for a cut
        self.mode = mode

    def write(self, data, offset):
        self._put(self.now, data, offset)
        self.unsynced.append((offset, bytes(data)))

    def truncate(self, length):
        self._cut(self.now, length)
        self.unsynced.append((length, None))

    def sync(self):
        for change in self.unsynced:
            self._apply(change)
        self.unsynced.clear()

    def lose(self, chance):
        """What a disk holds on which some of the later writes arrived."""
        for change in self.unsynced:
            if chance.random() < 0.5:
                self._apply(change)
        return bytes(self.synced)

    def _apply(self, change):
        place, data = change
        if data is None:
            self._cut(self.synced, place)
        else:
            self._put(self.synced, data, place)

    @staticmethod
    def _put(content, data, offset):
        if len(content) < offset:
            content.extend(bytes(offset - len(content)))
        content[offset:offset + len(data)] = data

    @staticmethod
    def _cut(content, length):
        del content[length:]
        content.extend(bytes(length - len(content)))


class PowerCut(Operations):
    def __init__(self, source, target, seed):
        self.target, self.chance = target, random.Random(seed)
        self.folders, self.names = {"/"}, {}
        for root, folders, files in os.walk(source):
            place = "/" + os.path.relpath(root, source).strip("./")
            place = place.rstrip("/")
            self.folders.update(f"{place}/{name}" for name in folders)
            for name in files:
                with open(os.path.join(root, name), "rb") as file:
                    self.names[f"{place}/{name}"] = File(file.read())
        self.synced_names = dict(self.names)
        self.is_off = False

    def fail(self, *_):
        self.is_off = True
        for folder in self.folders:
            os.makedirs(self.target + folder, exist_ok=True)
        for name, file in self.synced_names.items():
            with open(self.target + name, "wb") as out:
                out.write(file.lose(self.chance))
        with open(self.target + ".done", "w") as out:
            out.write("off")

    def __call__(self, op, path, *args):
        if self.is_off:
            raise FuseOSError(errno.EIO)
        return super().__call__(op, path, *args)

    def _file(self, path):
        if path not in self.names:
            raise FuseOSError(errno.ENOENT)
        return self.names[path]

    def getattr(self, path, fh=None):
        now = time.time()
        if path in self.folders:
            return {"st_mode": stat.S_IFDIR | 0o700, "st_nlink": 2, "st_mtime": now, "st_uid": os.getuid()}
        file = self._file(path)
        return {"st_mode": stat.S_IFREG | file.mode, "st_nlink": 1, "st_size": len(file.now), "st_mtime": now, "st_uid": os.getuid()}

    def readdir(self, path, fh):
        inside = path.rstrip("/") + "/"
        everything = list(self.names) + list(self.folders - {"/"})
        return [".", ".."] + [n[len(inside):] for n in everything if n.startswith(inside) and "/" not in n[len(inside):]]

    def statfs(self, path):
        return {"f_bsize": 4096, "f_blocks": 1 << 22, "f_bfree": 1 << 22, "f_bavail": 1 << 22}

    def mkdir(self, path, mode):
        self.folders.add(path)

    def create(self, path, mode, fi=None):
        self.names[path] = File(mode=mode & 0o777)
        return 0

    def open(self, path, flags):
        self._file(path)
        return 0

    def read(self, path, size, offset, fh):
        return bytes(self._file(path).now[offset:offset + size])

    def write(self, path, data, offset, fh):
        self._file(path).write(data, offset)
        return len(data)

    def truncate(self, path, length, fh=None):
        self._file(path).truncate(length)

    def unlink(self, path):
        self._file(path)
        del self.names[path]

    def rename(self, old, new):
        self.names[new] = self._file(old)
        del self.names[old]

    def fsync(self, path, datasync, fh):
        self._file(path).sync()
        return 0

    def fsyncdir(self, path, datasync, fh):
        inside = path.rstrip("/") + "/"
        for names in (self.synced_names, self.names):
            for name in [n for n in names if n.startswith(inside) and "/" not in n[len(inside):]]:
                if name in self.names:
                    self.synced_names[name] = self.names[name]
                else:
                    del self.synced_names[name]
        return 0

    def chmod(self, path, mode):
        return 0

    def chown(self, path, uid, gid):
        return 0

    def utimens(self, path, times=None):
        return 0


if __name__ == "__main__":
    mount, source, target, seed = sys.argv[1:5]
    disk = PowerCut(source, target, int(seed))
    signal.signal(signal.SIGUSR1, disk.fail)
    FUSE(disk, mount, nothreads=True, foreground=True)
