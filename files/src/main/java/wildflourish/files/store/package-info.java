/** Books on the disk: encoding and line ends kept, saved aside, flushed and renamed. */
package wildflourish.files.store;
